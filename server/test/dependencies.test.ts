import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const SCRIPT = join(__dirname, '../../scripts/dependencies.mjs');
const root = mkdtempSync(join(tmpdir(), 'portiona-dependencies-'));
afterAll(() => rmSync(root, { recursive: true, force: true }));

function report(args: readonly string[], checkout?: string) {
  return spawnSync(process.execPath, [SCRIPT, '--offline', ...args], {
    encoding: 'utf8',
    env: { ...process.env, ...(checkout === undefined ? {} : { PORTIONA_CHECKOUT: checkout }) },
  });
}

interface Package {
  readonly name: string;
  readonly licence: string | null;
  readonly digest: string | null;
  readonly faults: readonly string[];
}

test('what the product runs with is permissive, and held to a digest', () => {
  const { status, stdout } = report(['--json']);
  const { packages } = JSON.parse(stdout) as { packages: Package[] };
  expect(packages.filter(({ faults }) => faults.length > 0)).toEqual([]);
  expect(packages.length).toBeGreaterThan(300);
  expect(packages.map(({ name }) => name)).toEqual(expect.arrayContaining(['react', 'typeorm', 'pg', 'minio']));
  // What only tests and builds use is none of it.
  expect(packages.map(({ name }) => name)).not.toContain('s3rver');
  expect(status).toBe(0);
});

/** A checkout with some packages, as its lock and their folders tell of them. */
function checkout(name: string, packages: Readonly<Record<string, { lock: object; own: object; text?: string }>>): string {
  const folder = join(root, name);
  const locked: Record<string, object> = { '': { name } };
  for (const [one, { lock, own, text }] of Object.entries(packages)) {
    locked[`node_modules/${one}`] = { version: '1.0.0', integrity: 'sha512-x', ...lock };
    mkdirSync(join(folder, 'node_modules', one), { recursive: true });
    writeFileSync(join(folder, 'node_modules', one, 'package.json'), JSON.stringify(own));
    if (text !== undefined) writeFileSync(join(folder, 'node_modules', one, 'LICENSE'), text);
  }
  writeFileSync(join(folder, 'package-lock.json'), JSON.stringify({ lockfileVersion: 3, packages: locked }));
  return folder;
}

test.each<[string, { lock: object; own: object; text?: string }, RegExp | undefined]>([
  ['permissive', { lock: {}, own: { license: 'MIT' } }, undefined],
  ['one of two', { lock: {}, own: { license: '(GPL-3.0-only OR MIT)' } }, undefined],
  ['both of two', { lock: {}, own: { license: 'GPL-3.0-only AND MIT' } }, /"GPL-3.0-only AND MIT", which is none/],
  ['an old form', { lock: {}, own: { licenses: [{ type: 'BSD-3-Clause' }] } }, undefined],
  ['by its text', { lock: {}, own: {}, text: 'Permission is hereby granted, free of charge, to any person obtaining a copy' }, undefined],
  ['copyleft', { lock: {}, own: { license: 'AGPL-3.0-only' } }, /none of those that are permissive/],
  ['no word of it', { lock: {}, own: {} }, /says no licence/],
  ['words nobody read', { lock: {}, own: { license: 'SEE LICENSE IN LICENSE' } }, /none of those that are permissive/],
  ['no digest', { lock: { integrity: undefined }, own: { license: 'MIT' } }, /no digest/],
  [
    'from elsewhere',
    { lock: { resolved: 'git+ssh://git@host.example/x.git#1' }, own: { license: 'MIT' } },
    /does not come from the registry/,
  ],
  ['only to build with', { lock: { dev: true }, own: { license: 'AGPL-3.0-only' } }, undefined],
])('%s', (name, one, said) => {
  const { status, stdout } = report([], checkout(name, { one, other: { lock: {}, own: { license: 'ISC' } } }));
  expect(status).toBe(said === undefined ? 0 : 1);
  expect(stdout).toMatch(said ?? /Every licence is permissive/);
  expect(stdout).toMatch(/Advisories are NOT KNOWN/);
});

test('the texts of licences can be passed on', () => {
  const folder = checkout('texts', { one: { lock: {}, own: { license: 'MIT' }, text: 'The text of one' } });
  expect(report(['--texts'], folder).stdout).toMatch(/one 1\.0\.0 \(MIT\)\s+The text of one/);
});
