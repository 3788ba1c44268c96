import { basename } from 'node:path';
import pg from 'pg';
import { RECORD_TABLES } from '../web/protocol/kinds';

/** Tables of a firm that are copied, those that others refer to first. */
const TABLES = ['firms', 'users', 'clients', 'properties', 'picture_files', ...RECORD_TABLES];
const DEMO = 'quillrow';

/** Short name of a test file in this run, for the firm that is its own: what a run before left is in nobody's way. */
export const slugOf = (file: string): string =>
  `${basename(file).replace(/\W.*$/, '').toLowerCase()}${process.env.UNDREL_RUN ?? ''}`;

/** The firm of a test file, by its short name. */
export const firmOf = (slug: string): string => `${DEMO}-${slug}`;

/** The address of one of the demo's people in the firm of a test file. */
export const mailOf = (who: string, slug: string): string => `${who}.${slug}@quillrow.example`;

/**
 * Gives a test file a firm of its own, with everything that the demo's has: what one file changes no other sees. The
 * demo's own firm is left as it is.
 */
export async function ownFirm(slug: string): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  try {
    await client.query('begin');
    await client.query('select pg_advisory_xact_lock(hashtext($1))', [slug]);
    const firm = firmOf(slug);
    const there = await client.query('select from firms where firm_id = $1', [firm]);
    if (there.rowCount === 0)
      for (const table of TABLES) {
        const { rows } = await client.query<{ name: string }>(
          `select column_name as name from information_schema.columns
            where table_schema = 'public' and table_name = $1 and is_generated = 'NEVER' order by ordinal_position`,
          [table],
        );
        const columns = rows.map((r) => client.escapeIdentifier(r.name));
        const values = rows.map(({ name }) =>
          name === 'firm_id'
            ? '$1'
            : name === 'email'
              ? `split_part(email, '@', 1) || '.${slug}@quillrow.example'`
              : client.escapeIdentifier(name),
        );
        await client.query(
          `insert into ${table} (${columns.join(', ')}) select ${values.join(', ')} from ${table} where firm_id = $2`,
          [firm, DEMO],
        );
      }
    await client.query('commit');
  } finally {
    await client.end();
  }
}
