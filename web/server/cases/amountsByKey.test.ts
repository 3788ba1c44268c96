import { readFileSync } from 'node:fs';
import pg from 'pg';
import { readCase } from '@undrel/core/format';
import { databaseUrl } from '../database/migrate';
import { asUser, closePool } from '../database/transaction';
import { testFirm } from '../testFirm';
import { importCase } from '../grounds/importCase';

afterAll(closePool);

test('amounts that were stored by name are stored by key; their versions and the record stay as they are', async () => {
  const { viewer, propertyId } = await testFirm();
  const example = JSON.parse(readFileSync('docs/example-case.json', 'utf8')) as { visits: object[] };
  example.visits[0] = { ...example.visits[0], work: [{ step: 'mulch', how: 'done', on: '2026-06-01' }] };
  const read = readCase(JSON.stringify(example), '2026-11-24');
  if (!read.ok) throw new Error('the example does not read');
  await asUser(viewer.firmId, viewer.userId, (db) => importCase(db, viewer, propertyId, read.caseFile));
  const client = new pg.Client({ connectionString: databaseUrl() });
  await client.connect();
  const stored = async () => {
    const work = await client.query('select amounts, version from work_done where firm_id = $1', [
      viewer.firmId,
    ]);
    const audit = await client.query(
      `select count(*)::int as n from audit_entries where firm_id = $1 and subject = 'work_done'`,
      [viewer.firmId],
    );
    return { ...work.rows[0], audited: audit.rows[0].n as number };
  };
  try {
    await client.query('begin');
    await client.query('update work_done set amounts = $2 where firm_id = $1', [
      viewer.firmId,
      JSON.stringify([
        { name: 'Crew hours', amount: 1.5 },
        { name: 'Buckets', amount: 2 },
      ]),
    ]);
    const before = await stored();
    await client.query(readFileSync('db/migrations/0017_amounts-by-key.sql', 'utf8'));
    expect(await stored()).toEqual({
      ...before,
      amounts: [
        { amount: 1.5, quantity: 'crewHours' },
        // Not known: it stays as it was told, and is shown so.
        { amount: 2, quantity: 'Buckets' },
      ],
    });
  } finally {
    await client.query('rollback');
    await client.end();
  }
});
