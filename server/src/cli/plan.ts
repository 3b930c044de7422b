import { parseArgs } from 'node:util';
import { faultText, PlanSearch, planProblem, planReport, sessionPlan, unplannable, type Recipe } from '@portiona/core';
import { CommandFault, readKitchenFile } from './kitchenFiles.js';
import { planTable } from './planTable.js';

const USAGE = 'usage: portiona plan FILE [--session ID] [--now MINUTE] [--seconds S] [--json]';
/** Seconds that a better plan of a session is looked for, at most. */
const USUAL_SECONDS = 5;
const MOST_SECONDS = 3600;
/** The same plan each time. */
const SEED = 1;

interface PlanArguments {
  readonly file: string;
  readonly session: string | undefined;
  /** Undefined: not asked for. */
  readonly now: number | undefined;
  readonly seconds: number;
  readonly json: boolean;
}

function main(): void {
  try {
    const { file, session: id, now = 0, seconds, json } = argumentsOf(process.argv.slice(2));
    const { sessions, recipes } = readKitchenFile(file);
    const chosen = sessions.filter((session) => id === undefined || session.id === id);
    if (id !== undefined && chosen.length === 0) throw new CommandFault([`--session: ${file} has no session "${id}"`]);
    const byId = new Map(recipes.map((recipe) => [recipe.id, recipe]));
    const recipeOf = (recipe: string) => byId.get(recipe) as Recipe;
    const faults = chosen.flatMap((session) =>
      unplannable(session, byId, (recipe) => `recipes[${recipes.findIndex((one) => one.id === recipe)}]`),
    );
    if (faults.length > 0) throw new CommandFault(faults.map(faultText));
    const plans = chosen.map((session) => {
      const until = performance.now() + seconds * 1000;
      const search = new PlanSearch(planProblem(session, recipeOf, now), SEED);
      while (!search.finished && performance.now() < until) search.goOn();
      return { session, plan: sessionPlan(search) };
    });
    process.stdout.write(
      json
        ? `${JSON.stringify(
            plans.map(({ session, plan }) => planReport(session.id, plan)),
            null,
            1,
          )}\n`
        : plans.length === 0
          ? 'No sessions.\n'
          : plans.map(({ session, plan }) => planTable(session, plan, recipeOf)).join('\n'),
    );
  } catch (error) {
    if (!(error instanceof CommandFault)) throw error;
    process.stderr.write(`${error.lines.join('\n')}\n`);
    process.exitCode = 2;
  }
}

function argumentsOf(words: string[]): PlanArguments {
  try {
    const { values, positionals } = parseArgs({
      args: words,
      allowPositionals: true,
      options: {
        session: { type: 'string' },
        now: { type: 'string' },
        seconds: { type: 'string' },
        json: { type: 'boolean', default: false },
      },
    });
    const [file] = positionals;
    if (file === undefined || positionals.length > 1) throw new CommandFault([USAGE]);
    const now = numberOf('--now', values.now, { most: 100_000, whole: true });
    const seconds = numberOf('--seconds', values.seconds, { most: MOST_SECONDS, whole: false }) ?? USUAL_SECONDS;
    return { file, session: values.session, now, seconds, json: values.json };
  } catch (error) {
    if (error instanceof CommandFault) throw error;
    throw new CommandFault([error instanceof Error ? error.message : String(error), USAGE]);
  }
}

function numberOf(option: string, word: string | undefined, { most, whole }: { most: number; whole: boolean }): number | undefined {
  if (word === undefined) return undefined;
  const number = Number(word);
  if (word.trim() === '' || !Number.isFinite(number) || number < 0 || number > most || (whole && !Number.isInteger(number)))
    throw new CommandFault([`${option}: must be a ${whole ? 'whole ' : ''}number from 0 to ${most}, not "${word}"`]);
  return number;
}

main();
