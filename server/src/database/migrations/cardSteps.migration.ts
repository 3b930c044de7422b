import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Steps of published cards as runs of text: what is printed stays as it was. */
export class CardSteps1764800000008 implements MigrationInterface {
  name = 'CardSteps1764800000008';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      UPDATE published_cards SET content = jsonb_set(content, '{steps}', (
        SELECT coalesce(jsonb_agg(
          CASE jsonb_typeof(step)
            WHEN 'string' THEN jsonb_build_object('part', '', 'runs', jsonb_build_array(jsonb_build_object('text', step)))
            ELSE step
          END ORDER BY place), '[]')
        FROM jsonb_array_elements(content -> 'steps') WITH ORDINALITY AS steps (step, place)))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      UPDATE published_cards SET content = jsonb_set(content, '{steps}', (
        SELECT coalesce(jsonb_agg(to_jsonb((
          SELECT string_agg(run ->> 'text', '' ORDER BY at) FROM jsonb_array_elements(step -> 'runs') WITH ORDINALITY AS runs (run, at)
        )) ORDER BY place), '[]')
        FROM jsonb_array_elements(content -> 'steps') WITH ORDINALITY AS steps (step, place)))`);
  }
}
