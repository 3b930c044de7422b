// What stands on this machine's server and in the page, by others: node scripts/dependencies.mjs [--json] [--texts] [--offline]. See docs/dependencies.md.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import satisfies from 'spdx-satisfies';

/** Licences that let anybody do anything but deny where it came from. */
export const PERMISSIVE = [
  '0BSD',
  'Apache-2.0',
  'BlueOak-1.0.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'CC0-1.0',
  'ISC',
  'MIT',
  'MIT-0',
  'OFL-1.1',
  'Python-2.0',
  'Unlicense',
  'Zlib',
];
/** Packages that say their licence in words: read by a person, of the version that is there. */
const READ = new Map([
  [
    'dejavu-fonts-ttf@2.37.3',
    'a permissive font licence: fonts may be used, changed and passed on, not sold by themselves; changed ones are named otherwise',
  ],
]);
/** How texts of licences begin, or what stands in them. */
const TEXTS = [
  ['MIT', /Permission is hereby granted, free of charge, to any person obtaining/],
  ['Apache-2.0', /Apache License\s+Version 2\.0/],
  ['BSD-3-Clause', /Redistribution and use in source and binary forms[\s\S]*Neither the name/],
  ['BSD-2-Clause', /Redistribution and use in source and binary forms/],
  ['ISC', /Permission to use, copy, modify, and\/or distribute this software for any/],
];
const LICENCE_FILE = /^(?:licen[sc]e|copying|unlicense)/i;

/** The licence of a package, and what says so: its own word, an older form of it, or its text. */
function licenceOf(folder, stated) {
  const own = existsSync(join(folder, 'package.json')) ? JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) : {};
  const said = own.license ?? stated;
  if (typeof said === 'string' && said !== '') return { licence: said, by: 'its package' };
  const older = (own.licenses ?? []).map(({ type }) => type).join(' OR ');
  if (older !== '') return { licence: older, by: 'its package, in an old form' };
  const text = textOf(folder);
  const found = TEXTS.find(([, pattern]) => pattern.test(text));
  return found ? { licence: found[0], by: 'the text it comes with' } : { licence: undefined, by: 'nothing' };
}

function textOf(folder) {
  if (!existsSync(folder)) return '';
  const files = readdirSync(folder).filter((name) => LICENCE_FILE.test(name));
  return files.map((name) => readFileSync(join(folder, name), 'utf8')).join('\n');
}

function isPermissive(licence) {
  try {
    return satisfies(licence, PERMISSIVE);
  } catch {
    return false;
  }
}

/**
 * Every package that the product runs with, and what is wrong with it.
 *
 * @param root of a checkout whose packages are installed
 */
export function dependencies(root) {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  return Object.entries(packages)
    .filter(([path, { dev, devOptional, link }]) => path.includes('node_modules/') && !dev && !devOptional && !link)
    .map(([path, { version, license, integrity, resolved, hasInstallScript, optional }]) => {
      const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
      const folder = join(root, path);
      const { licence, by } = licenceOf(folder, license);
      const read = READ.get(`${name}@${version}`);
      const faults = [];
      if (licence === undefined) faults.push('says no licence');
      else if (!isPermissive(licence) && !read) faults.push(`its licence is "${licence}", which is none of those that are permissive`);
      if (!integrity) faults.push('has no digest in the lock: what is installed is not known to be what was chosen');
      if (resolved !== undefined && !/^https:\/\/[^/]+\/.+\.tgz$/.test(resolved))
        faults.push(`does not come from the registry: ${resolved}`);
      return {
        name,
        version,
        licence: licence ?? null,
        saidBy: read ?? by,
        digest: integrity?.split('-')[0] ?? null,
        installScript: hasInstallScript === true,
        optional: optional === true,
        here: existsSync(folder),
        faults,
        folder,
      };
    })
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.version < b.version ? -1 : 1));
}

/** What the registry knows against them: advisories, or why that is not known. */
function advisories(root) {
  const { stdout } = spawnSync('npm', ['audit', '--omit=dev', '--json'], {
    cwd: root,
    encoding: 'utf8',
    timeout: 120_000,
    maxBuffer: 64e6,
  });
  try {
    const said = JSON.parse(stdout);
    if (said.vulnerabilities === undefined)
      return { known: false, why: said.message ?? said.error?.summary ?? 'the registry did not say', found: [] };
    const found = Object.values(said.vulnerabilities).map(({ name, severity, via, fixAvailable }) => ({
      name,
      severity,
      what: via.map((one) => (typeof one === 'string' ? `by ${one}` : `${one.title} (${one.url})`)),
      mended: fixAvailable !== false,
    }));
    return { known: true, found };
  } catch {
    return { known: false, why: 'the registry did not answer', found: [] };
  }
}

/** Whether the registry's signatures of what is installed hold, or why that is not known. */
function signatures(root) {
  const { stdout } = spawnSync('npm', ['audit', 'signatures', '--omit=dev', '--json'], {
    cwd: root,
    encoding: 'utf8',
    timeout: 120_000,
    maxBuffer: 64e6,
  });
  try {
    const { invalid, missing, error } = JSON.parse(stdout);
    if (invalid === undefined) return { known: false, why: error?.summary ?? 'the registry did not say', invalid: [], missing: [] };
    return { known: true, invalid: invalid.map(({ name }) => name), missing: missing.map(({ name }) => name) };
  } catch {
    return { known: false, why: 'the registry or its list of keys did not answer', invalid: [], missing: [] };
  }
}

function counted(list, key) {
  const counts = new Map();
  for (const one of list) counts.set(key(one), (counts.get(key(one)) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]);
}

function print(found, against, signed) {
  const width = Math.max(...found.map(({ name, version }) => name.length + version.length + 1));
  for (const { name, version, licence, saidBy, digest, installScript, here } of found)
    console.log(
      [
        `${name}@${version}`.padEnd(width),
        (licence ?? 'none').padEnd(14),
        digest ?? 'no digest',
        ...(saidBy === 'its package' ? [] : [`licence by ${saidBy}`]),
        ...(installScript ? ['has an install script, which is not run'] : []),
        ...(here ? [] : ['not on this machine']),
      ].join('  '),
    );
  console.log(
    `\n${found.length} packages: ${counted(found, ({ licence }) => licence)
      .map(([licence, count]) => `${count} ${licence}`)
      .join(', ')}.`,
  );
  console.log(
    against.known
      ? `Advisories: ${against.found.length === 0 ? 'none.' : ''}`
      : `Advisories are NOT KNOWN: ${against.why}. Run this where the registry answers.`,
  );
  for (const { name, severity, what, mended } of against.found)
    console.log(`  ${severity}: ${name}. ${what.join('; ')}${mended ? '; a version without it is there' : ''}`);
  console.log(
    signed.known
      ? `Signatures of the registry: ${signed.invalid.length + signed.missing.length === 0 ? 'all hold.' : `${signed.invalid.length} do not hold (${signed.invalid.join(', ')}), ${signed.missing.length} are missing.`}`
      : `Signatures of the registry are NOT KNOWN: ${signed.why}. Every package is held to its digest in the lock all the same.`,
  );
  const faulty = found.filter(({ faults }) => faults.length > 0);
  for (const { name, version, faults } of faulty) for (const fault of faults) console.log(`WRONG: ${name}@${version} ${fault}.`);
  if (faulty.length === 0) console.log('Every licence is permissive, and every package is held to a digest.');
}

if (process.argv[1] && resolve(process.argv[1]) === new URL(import.meta.url).pathname) {
  const asked = new Set(process.argv.slice(2));
  const root = resolve(process.env.PORTIONA_CHECKOUT ?? new URL('..', import.meta.url).pathname);
  const found = dependencies(root);
  if (asked.has('--texts')) {
    for (const { name, version, licence, folder } of found.filter(({ here }) => here))
      console.log(
        `${'='.repeat(80)}\n${name} ${version} (${licence})\n\n${textOf(folder).trim() || 'It comes without the text of its licence.'}\n`,
      );
  } else {
    const unasked = { known: false, why: 'not asked (--offline)', found: [], invalid: [], missing: [] };
    const [against, signed] = asked.has('--offline') ? [unasked, unasked] : [advisories(root), signatures(root)];
    if (asked.has('--json'))
      console.log(
        JSON.stringify({ packages: found.map((one) => ({ ...one, folder: undefined })), advisories: against, signatures: signed }, null, 1),
      );
    else print(found, against, signed);
    const severe = against.found.some(({ severity }) => severity === 'high' || severity === 'critical');
    if (severe || signed.invalid.length > 0 || found.some(({ faults }) => faults.length > 0)) process.exitCode = 1;
  }
}
