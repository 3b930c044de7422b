// A database of many kitchens: one is filled by the server itself, the others are its rows again, each kitchen with somebody signed in.
import { createHash, createHmac, randomBytes } from 'node:crypto';
import { createRequire } from 'node:module';
import { manyRecipes } from './manyRecipes.mjs';

const { Client } = createRequire(new URL('../package.json', import.meta.url))('pg');

const KINDS = 'leek beet chard quinoa lentil barley oat rye squash plum pear sorrel kale bean pea millet trout cod egg curd whey'.split(
  ' ',
);
const WORDS = 'raw boiled roasted dried smoked pickled ground whole young wild red white black green sweet sour salted peeled'.split(' ');

/** A kitchen file of so many recipes and foods. */
export function kitchenOf(recipes, foods) {
  const file = manyRecipes(recipes);
  const sound = (nutrients) => {
    const { protein, fat, carbohydrate, fibre } = nutrients;
    return { ...nutrients, energyKcal: 4 * protein + 9 * fat + 4 * carbohydrate + 2 * fibre };
  };
  const more = Array.from({ length: Math.max(0, foods - file.foods.length) }, (_, i) => ({
    id: `crowd-food-${i}`,
    name: `${KINDS[i % KINDS.length]}, ${WORDS[Math.floor(i / KINDS.length) % WORDS.length]}, no. ${i}`,
    nutrients: { energyKcal: 0, protein: i % 30, fat: i % 20, carbohydrate: i % 40, fibre: i % 9, sodium: i % 500 },
  }));
  // A card of foods whose label contradicts itself is not published.
  return { ...file, foods: [...file.foods, ...more].map((food) => ({ ...food, nutrients: sound(food.nutrients) })) };
}

/** Tables whose rows are of the first kitchen only, or that are told anew. */
const NOT_COPIED = new Set(['members', 'invitations', 'api_tokens', 'audit_entries', 'presences', 'recipe_changes', 'notes', 'notes_seen']);

/**
 * Copies a kitchen's rows to others.
 *
 * @param owner address by which its owner reaches the database
 * @returns who is signed in where: key of the kitchen, secret of the session, what the page says beside it
 */
export async function crowdOf(owner, count) {
  const client = new Client({ connectionString: owner });
  await client.connect();
  try {
    const [{ id: first }] = (await client.query('SELECT id FROM kitchens ORDER BY created_at LIMIT 1')).rows;
    const { rows: columns } = await client.query(
      `SELECT own.table_name AS of, own.column_name AS name, own.data_type AS type, own.is_identity = 'YES' OR own.is_generated = 'ALWAYS' AS made
       FROM information_schema.columns own JOIN information_schema.tables t ON t.table_name = own.table_name AND t.table_type = 'BASE TABLE'
       WHERE own.table_schema = 'public' AND t.table_schema = 'public'
         AND own.table_name IN (SELECT table_name FROM information_schema.columns WHERE column_name = 'kitchen_id' AND table_schema = 'public')
       ORDER BY own.table_name, own.ordinal_position`,
    );
    const tables = new Map();
    for (const { of, ...column } of columns) if (!NOT_COPIED.has(of)) tables.set(of, [...(tables.get(of) ?? []), column]);
    // Neither triggers nor references: what is copied was whole where it came from.
    await client.query('SET session_replication_role = replica');
    const people = [];
    for (let i = 0; i < count; i++) {
      const secret = randomBytes(32).toString('base64url');
      const kitchen =
        i === 0
          ? (await client.query('SELECT id, key FROM kitchens WHERE id = $1', [first])).rows[0]
          : (
              await client.query(
                `INSERT INTO kitchens (name, settings, begun) SELECT name || ' ' || $2, settings, begun FROM kitchens WHERE id = $1 RETURNING id, key`,
                [first, i],
              )
            ).rows[0];
      if (i > 0)
        for (const [table, own] of tables) {
          const kept = own.filter(({ made, name, type }) => !made && name !== 'kitchen_id' && !(name === 'id' && type === 'uuid'));
          const names = kept.map(({ name }) => `"${name}"`).join(', ');
          await client.query(`INSERT INTO ${table} (kitchen_id, ${names}) SELECT $1, ${names} FROM ${table} WHERE kitchen_id = $2`, [
            kitchen.id,
            first,
          ]);
        }
      const { rows } = await client.query('INSERT INTO accounts (name) VALUES ($1) RETURNING id', [`Cook ${i}`]);
      await client.query(`INSERT INTO members (kitchen_id, account_id, role, costs) VALUES ($1, $2, 'owner', true)`, [
        kitchen.id,
        rows[0].id,
      ]);
      await client.query(
        `INSERT INTO account_sessions (account_id, secret, way, address, agent, expires_at) VALUES ($1, $2, 'password', '127.0.0.1', 'bench', now() + interval '1 day')`,
        [rows[0].id, createHash('sha256').update(secret).digest()],
      );
      people.push({ key: kitchen.key, secret, page: createHmac('sha256', secret).update('portiona page').digest('base64url') });
      if ((i + 1) % 25 === 0) console.log(`  ${i + 1} kitchens`);
    }
    await client.query('SET session_replication_role = DEFAULT');
    await client.query('VACUUM ANALYZE');
    return people;
  } finally {
    await client.end();
  }
}
