import { basename } from 'node:path';
import pg from 'pg';

/**
 * Tables of a firm that are copied, those that others refer to first: itself, its people, its pictures, and every record
 * that can be removed. Asked of the database, for reading the list takes a worker seconds of the core.
 */
const TABLES = `
  with recursive refers as (
    select distinct conrelid, confrelid from pg_constraint where contype = 'f' and conrelid <> confrelid
  ), deep as (
    select oid, 0 as depth from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace
    union select conrelid, depth + 1 from refers join deep on oid = confrelid
  )
  select relname as name from deep join pg_class using (oid)
   where relname in ('firms', 'users', 'picture_files')
      or exists (select from pg_attribute where attrelid = oid and attname = 'deleted_at')
   group by relname order by max(depth), relname`;
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
      for (const { name: table } of (await client.query<{ name: string }>(TABLES)).rows) {
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
