// Loads the demo world through the same code as user data, once; --reset takes the demo firm out first.
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { CLOSED, RATES } from '../db/demo/rates';
import { FIRM, PEOPLE, PROPERTIES } from '../db/demo/world';
import * as accounts from '../web/server/accounts/sql';
import { loadFirm, saveCosts } from '../web/server/accounts/firm';
import { hashPassword } from '../web/server/accounts/secrets';
import { foundFirm, type Viewer } from '../web/server/accounts/session';
import { saveChanges, today } from '../web/server/cases/write';
import { databaseUrl, migrate } from '../web/server/database/migrate';
import { asUser, pool, type Db } from '../web/server/database/transaction';
import * as grounds from '../web/server/grounds/sql';
import { askWeather, keepWeather } from '../web/server/grounds/weather';
import { itemsOf } from '../web/protocol/item';
import { RECORD_TABLES } from '../web/protocol/kinds';
import sharp from 'sharp';
import type { CaseFile } from '@undrel/core/format';
import { idOf, type Tree, type Visit } from '@undrel/core/records';
import { photographOf } from '../db/demo/photographs';
import { keepPicture } from '../web/server/pictures/pictures';
import { readPicture } from '../web/server/pictures/readPicture';
import { noteYard } from '../web/server/season/yard';
import { simulatedWeather } from '../web/stand-ins/weather';

/** Tables of a firm, those that refer to others first. */
const TABLES = [
  'reports',
  'report_counters',
  'assessments',
  'offers',
  'notices',
  'calendar_feeds',
  'picture_files',
  'daily_weather',
  ...RECORD_TABLES.toReversed(),
  'properties',
  'clients',
  'invitations',
  'signin_attempts',
  'signin_steps',
  'recovery_codes',
  'passkeys',
  'authenticator_apps',
  'sessions',
  'users',
  'audit_entries',
  'firms',
];

/**
 * Takes the demo firm out with the copies of it that browser tests made, as the owner of the database: the application
 * itself never deletes.
 */
async function removeDemo(client: pg.Client): Promise<void> {
  const { rows } = await client.query<{ name: string }>(
    `select c.table_name as name from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
      where c.table_schema = 'public' and c.column_name = 'firm_id' and t.table_type = 'BASE TABLE'`,
  );
  const forgotten = rows.map((r) => r.name).filter((name) => !TABLES.includes(name));
  if (forgotten.length > 0) throw new Error(`Not in the list of tables of a firm: ${forgotten.join(', ')}.`);
  await client.query('begin');
  await client.query('alter table reports disable trigger issued');
  const own = 'firm_id = $1 or firm_id like $2';
  const which = [FIRM.id, `${FIRM.id}-%`];
  for (const table of TABLES) await client.query(`delete from ${table} where ${own}`, which);
  await client.query(`delete from audit_entries where ${own}`, which);
  await client.query('alter table reports enable trigger issued');
  await client.query('commit');
}

/** The tree whose digs are photographed in the demo: the newest from five of its eight sides, and once beside a sheet of paper. */
const PHOTOGRAPHED = 'sable-katsura-14';
const SIDES = [0, 45, 90, 135, 180];
const SIDES_BEFORE = [0, 90];

/** Photographs of the digs of a tree, drawn from its record. */
async function addPhotographs(db: Db, viewer: Viewer, { tree, visits }: CaseFile): Promise<void> {
  const dug = visits.filter((v) => v.dig !== undefined);
  for (const visit of dug) await addPhotographsOf(db, viewer, tree, visit, visit === dug.at(-1));
}

async function addPhotographsOf(
  db: Db,
  viewer: Viewer,
  tree: Tree,
  visit: Visit,
  newest: boolean,
): Promise<void> {
  const at = await db.row<{ id: string }>('select id from visits where tree_id = $1 and visited_on = $2', [
    PHOTOGRAPHED,
    visit.date,
  ]);
  const shots = [
    ...(newest ? SIDES : SIDES_BEFORE).map((bearing) => ({
      ...photographOf(visit.dig!, tree, bearing, false),
      caption: undefined,
    })),
    ...(newest
      ? [{ ...photographOf(visit.dig!, tree, 80, true), caption: 'Collar with a sheet of A4 for scale' }]
      : []),
  ];
  for (const { svg, bearing, sheet, caption } of shots) {
    const read = await readPicture(await sharp(Buffer.from(svg)).blur(0.8).jpeg({ quality: 85 }).toBuffer());
    if ('problem' in read) throw new Error(read.problem);
    await keepPicture(db, read);
    const { hash, width, height } = read;
    const values = {
      hash,
      width,
      height,
      on: visit.date,
      by: visit.by,
      shows: 'dig' as const,
      bearing,
      ...(caption && { caption }),
      ...(sheet.length === 4 && { sheet: { kind: 'a4' as const, corners: sheet } }),
    };
    const [saved] = await saveChanges(db, viewer, [
      { kind: 'picture', id: idOf('picture', at!.id, { hash }), parent: at!.id, base: 0, values },
    ]);
    if (saved?.status !== 'saved') throw new Error(`Photograph from ${bearing}: ${JSON.stringify(saved)}`);
  }
}

/** Where the demo's crews start from, degrees. */
const YARD = { latitude: 51.23, longitude: 6.78 };

async function addPeople(): Promise<Viewer> {
  const [owner, ...others] = PEOPLE;
  const ownerId = randomUUID();
  await foundFirm(FIRM, { id: ownerId, email: owner!.email, name: owner!.name, password: owner!.password });
  let consultantId = ownerId;
  await asUser(FIRM.id, ownerId, async (db) => {
    for (const person of others) {
      const id = randomUUID();
      if (person.role === 'consultant') consultantId = id;
      await db.rows(accounts.ADD_USER, [
        id,
        person.email,
        person.name,
        person.role,
        await hashPassword(person.password),
      ]);
    }
  });
  return {
    firmId: FIRM.id,
    userId: consultantId,
    sessionId: '',
    name: '',
    email: '',
    role: 'consultant',
    firmName: FIRM.name,
    units: FIRM.units,
  };
}

async function addTree(
  db: Db,
  viewer: Viewer,
  propertyId: string,
  id: string,
  caseFile: Parameters<typeof itemsOf>[0],
): Promise<void> {
  let count = 0;
  const items = itemsOf(caseFile, propertyId, () => (count++ === 0 ? id : `${id}-${count}`));
  const results = await saveChanges(
    db,
    viewer,
    items.map((item) => ({ ...item, base: 0, values: item.values as unknown as Record<string, unknown> })),
  );
  const refused = results.find((r) => r.status !== 'saved');
  if (refused) throw new Error(`${caseFile.tree.label}: ${JSON.stringify(refused)}`);
}

const owner = new pg.Client({ connectionString: databaseUrl() });
await migrate();
await owner.connect();
if (process.argv.includes('--reset')) await removeDemo(owner);
const present = await owner.query('select from firms where firm_id = $1', [FIRM.id]);
await owner.end();

if (present.rowCount === 0) {
  const viewer = await addPeople();
  let trees = 0;
  await asUser(viewer.firmId, viewer.userId, async (db) => {
    await noteYard(db, YARD);
    await saveCosts(db, RATES, CLOSED, (await loadFirm(db)).version);
    for (const property of PROPERTIES()) {
      const clientId = randomUUID();
      await db.rows(grounds.ADD_CLIENT, [clientId, property.client]);
      await db.rows(grounds.ADD_PROPERTY, [property.id, clientId, property.name, property.note]);
      await db.rows(grounds.SET_PLAN, [property.id, JSON.stringify(property.plan), 1]);
      await keepWeather(db, property.id, await askWeather(simulatedWeather, property.id, today()));
      for (const { id, caseFile } of property.trees) {
        await addTree(db, viewer, property.id, id, caseFile);
        if (id === PHOTOGRAPHED) await addPhotographs(db, viewer, caseFile);
        trees++;
      }
    }
  });
  console.log(`· demo data: ${trees} trees`);
}
await (await pool()).end();
