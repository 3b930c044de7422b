import type { PlanProblem, PlanWorth } from '../src/plan/index.js';

export function bestPlan(problem: PlanProblem, most?: number): Omit<PlanWorth, 'off'> | undefined;
