import { Counter, Gauge, Histogram, Registry, collectDefaultMetrics } from 'prom-client';

/** What is counted in this process, for a program that collects it (the text format of Prometheus). */
export const registry = new Registry();
collectDefaultMetrics({ register: registry });

/** Seconds that requests took, by what was asked (the route's pattern, never the address: that holds names). */
export const requestSeconds = new Histogram({
  name: 'portiona_http_request_seconds',
  help: 'Seconds from a request to the end of its answer',
  labelNames: ['method', 'route', 'status'] as const,
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.2, 0.5, 1, 2.5, 5, 10, 30],
  registers: [registry],
});
export const requestsUnderWay = new Gauge({
  name: 'portiona_http_requests_under_way',
  help: 'Requests that are being answered',
  registers: [registry],
});
export const slowQueries = new Counter({
  name: 'portiona_slow_queries_total',
  help: 'Statements that took the database longer than PORTIONA_SLOW_QUERY_MS',
  registers: [registry],
});
export const runSeconds = new Histogram({
  name: 'portiona_run_seconds',
  help: 'Seconds that runs of jobs took',
  labelNames: ['queue', 'outcome'] as const,
  buckets: [0.1, 0.5, 1, 5, 15, 60, 300, 900],
  registers: [registry],
});
export const connections = new Gauge({
  name: 'portiona_database_connections',
  help: 'Connections to the database',
  labelNames: ['state'] as const,
  registers: [registry],
});
export const threadWork = new Gauge({
  name: 'portiona_thread_work',
  help: 'Work given to threads: under way, and waiting for one',
  labelNames: ['pool', 'state'] as const,
  registers: [registry],
});
export const threadHeap = new Gauge({
  name: 'portiona_thread_heap_bytes',
  help: 'What the memory of threads that are there holds, as each said last',
  labelNames: ['pool'] as const,
  registers: [registry],
});
export const jobsHeld = new Gauge({
  name: 'portiona_jobs',
  help: 'Jobs in the database, of all servers',
  labelNames: ['queue', 'state'] as const,
  registers: [registry],
});
export const pagesListening = new Gauge({
  name: 'portiona_pages_listening',
  help: 'Pages that are told of changes as they come',
  registers: [registry],
});
