import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { checkedRecipe, taughtKitchen, type Finding } from '@portiona/core';
import { CommandFault, isFolder, kitchenFilesIn, readKitchenFile } from './kitchenFiles.js';

const USAGE = 'usage: portiona check FILE|FOLDER [--recipe ID] [--json]';

interface CheckArguments {
  readonly path: string;
  readonly recipe: string | undefined;
  readonly json: boolean;
}

/** A finding as it is printed: with its file where a folder was asked for, and its recipe. */
type Printed = { readonly file?: string; readonly recipe: string } & Pick<Finding, 'code' | 'severity' | 'at' | 'message'>;

/** Exit 0 without findings, 1 with, 2 where a file cannot be read: of a folder, the others are still checked. */
function main(): void {
  try {
    const { path, recipe, json } = argumentsOf(process.argv.slice(2));
    const files = isFolder(path) ? kitchenFilesIn(path) : undefined;
    const faults: string[] = [];
    const found = files
      ? files.flatMap((name) => {
          try {
            return findingsIn(join(path, name), recipe, true).map((one) => ({ file: name, ...one }));
          } catch (error) {
            if (!(error instanceof CommandFault)) throw error;
            faults.push(...error.lines.map((line) => `${name}: ${line}`));
            return [];
          }
        })
      : findingsIn(path, recipe, false);
    if (faults.length > 0) process.stderr.write(`${faults.join('\n')}\n`);
    process.stdout.write(json ? `${JSON.stringify(found, null, 1)}\n` : textOf(found));
    process.exitCode = faults.length > 0 ? 2 : found.length > 0 ? 1 : 0;
  } catch (error) {
    if (!(error instanceof CommandFault)) throw error;
    process.stderr.write(`${error.lines.join('\n')}\n`);
    process.exitCode = 2;
  }
}

function argumentsOf(words: string[]): CheckArguments {
  try {
    const { values, positionals } = parseArgs({
      args: words,
      allowPositionals: true,
      options: { recipe: { type: 'string' }, json: { type: 'boolean', default: false } },
    });
    const [path] = positionals;
    if (path === undefined || positionals.length > 1) throw new CommandFault([USAGE]);
    return { path, recipe: values.recipe, json: values.json };
  } catch (error) {
    if (error instanceof CommandFault) throw error;
    throw new CommandFault([error instanceof Error ? error.message : String(error), USAGE]);
  }
}

/** @param many one of several files: a recipe that is asked for may be in another */
function findingsIn(file: string, recipe: string | undefined, many: boolean): Printed[] {
  const entry = readKitchenFile(file);
  const chosen = entry.recipes.filter(({ id }) => recipe === undefined || id === recipe);
  if (recipe !== undefined && chosen.length === 0 && !many) throw new CommandFault([`--recipe: ${file} has no recipe "${recipe}"`]);
  const kitchen = taughtKitchen(entry, entry.batches);
  return chosen.flatMap((one) =>
    checkedRecipe(one, kitchen).open.map(({ code, severity, at, message }) => ({ recipe: one.id, code, severity, at, message })),
  );
}

/** One finding a line under the recipe it is in. */
function textOf(found: readonly Printed[]): string {
  const heads = new Map<string, Printed[]>();
  for (const one of found) {
    const head = one.file === undefined ? one.recipe : `${one.file}: ${one.recipe}`;
    heads.set(head, [...(heads.get(head) ?? []), one]);
  }
  const blocks = [...heads].map(
    ([head, findings]) =>
      `${head}\n${findings.map(({ severity, code, at, message }) => `  ${severity.padEnd(5)}  ${code}  ${at}  ${message}`).join('\n')}\n`,
  );
  return blocks.length === 0 ? 'Nothing found.\n' : blocks.join('\n');
}

main();
