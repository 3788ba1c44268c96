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
import { asUser, closePool, type Db } from '../web/server/database/transaction';
import * as grounds from '../web/server/grounds/sql';
import { askWeather, keepWeather } from '../web/server/grounds/weather';
import { itemsOf } from '../web/protocol/item';
import { RECORD_TABLES } from '../web/protocol/kinds';
import sharp from 'sharp';
import type { CaseFile } from '@undrel/core/format';
import { idOf, LEAVES_OF, type Dig, type Picture, type Shown, type Visit } from '@undrel/core/records';
import { readMarkers } from '@undrel/core/markers';
import {
  leafColourOf,
  planeOfCards,
  type Point,
  type Raster,
  type SeenMarker,
} from '@undrel/core/photogrammetry';
import { LEAF_TONES, leafPhotograph } from '../db/demo/leaves';
import { facePhotograph } from '../db/demo/soilFace';
import { stemIn, stemPhotograph } from '../db/demo/stems';
import {
  photographFile,
  photographOf,
  roundDig,
  type LaidOut,
  type Photograph,
} from '../db/demo/photographs';
import { keepPicture, stow } from '../web/server/pictures/pictures';
import { readPicture, type ReadPicture } from '../web/server/pictures/readPicture';
import { noteYard } from '../web/server/season/yard';
import { simulatedWeather } from '../web/stand-ins/weather';

/** Tables of a firm, those that refer to others first. */
const TABLES = [
  'reports',
  'property_reports',
  'report_counters',
  'assessments',
  'offers',
  'notices',
  'calendar_feeds',
  'picture_files',
  'picture_pieces',
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

/** Whose rows are fixed once they are issued. */
const FIXED = ['reports', 'property_reports'];

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
  for (const table of FIXED) await client.query(`alter table ${table} disable trigger issued`);
  const own = 'firm_id = $1 or firm_id like $2';
  const which = [FIRM.id, `${FIRM.id}-%`];
  for (const table of TABLES) await client.query(`delete from ${table} where ${own}`, which);
  await client.query(`delete from audit_entries where ${own}`, which);
  for (const table of FIXED) await client.query(`alter table ${table} enable trigger issued`);
  await client.query('commit');
}

/** The tree whose digs are photographed in the demo: the newest from five of its eight sides, beside a sheet of paper, and with marker cards. */
const PHOTOGRAPHED = 'sable-katsura-14';
const SIDES = [0, 45, 90, 135, 180];
const SIDES_BEFORE = [0, 90];
/** From where roots are traced: two sides show all of a collar. */
const CARD_SIDES = [50, 230];
/** A collar that was laid open and photographed with cards, and has no root on its plan yet: what is drawn is the dig of another tree. */
const UNTRACED = 'kelpworth-7';

/** Where leaves were measured, beside those of a tree of the row that does well. */
const LEAVES_AT = 'kelpworth-3';

/** Where the face of the pit was photographed with a tape hung down it, and its layers touched. */
const FACE_AT = 'kelpworth-4';

/** Where the base of the stem was photographed from the same side at each visit. */
const STEM_AT = 'kelpworth-8';

interface Taken {
  photo: Pick<Photograph, 'raster' | 'sheet' | 'tie'> & { bearing?: number };
  shows?: Shown;
  leavesOf?: (typeof LEAVES_OF)[number];
  caption?: string;
  /** What was touched on it already. */
  touched?: Pick<Picture, 'bar' | 'face'>;
}

/** Photographs of the digs of a tree, drawn from its record. */
async function addPhotographs(db: Db, viewer: Viewer, { tree, visits }: CaseFile): Promise<void> {
  const dug = visits.filter((v) => v.dig !== undefined);
  for (const visit of dug) {
    const newest = visit === dug.at(-1);
    const of = (bearing: number, laid: LaidOut) => photographOf(visit.dig!, tree, bearing, laid);
    await keepTaken(db, viewer, PHOTOGRAPHED, visit, [
      ...(newest ? SIDES : SIDES_BEFORE).map((bearing) => ({ photo: of(bearing, 'nothing') })),
      ...(newest
        ? [
            { photo: of(80, 'a sheet of A4'), caption: 'Collar with a sheet of A4 for scale' },
            ...CARD_SIDES.map((bearing) => ({
              photo: of(bearing, 'cards'),
              caption: 'Collar with marker cards',
            })),
          ]
        : [{ photo: of(CARD_SIDES[0]!, 'cards'), caption: 'Collar with marker cards' }]),
    ]);
  }
}

/** Photographs of a collar that nobody has mapped, as a person would bring them in: the cards are there to be found. */
async function addUntraced(db: Db, viewer: Viewer, { tree, visits }: CaseFile, dig: Dig): Promise<void> {
  const taken = CARD_SIDES.map((bearing) => ({
    photo: { ...photographOf(roundDig(dig), tree, bearing, 'cards'), tie: undefined },
    caption: 'Collar laid open, marker cards round it',
  }));
  await keepTaken(db, viewer, UNTRACED, visits.at(-1)!, taken);
}

/** Leaves of a tree and of its reference on the leaf sheet. */
async function addLeaves(db: Db, viewer: Viewer, { visits }: CaseFile): Promise<void> {
  const size = { width: 960, height: 720 };
  const taken = LEAVES_OF.map((of, i): Taken => {
    const colour = of === 'tree' ? LEAF_TONES.pale : LEAF_TONES.green;
    return {
      photo: {
        ...leafPhotograph({ colour, size, seed: 31 + i, light: [0.92, 0.88, 0.8] }),
        sheet: [],
        tie: undefined,
      },
      shows: 'leaf',
      leavesOf: of,
      caption: of === 'tree' ? 'Leaves of this tree' : 'Leaves of the reference tree',
    };
  });
  await keepTaken(db, viewer, LEAVES_AT, visits.at(-1)!, taken);
}

/** The face of the pit in the mulch ring, its layers touched beside the tape. */
async function addFace(db: Db, viewer: Viewer, { visits }: CaseFile): Promise<void> {
  const visit = visits.at(-1)!;
  const { layers } = visit.soilLogs![0]!;
  const { raster, tape, face } = facePhotograph(layers, { seed: 5 });
  const place = ([x, y]: Point): [number, number] => [x, y];
  await keepTaken(db, viewer, FACE_AT, visit, [
    {
      photo: { raster, sheet: [], tie: undefined, bearing: 90 },
      shows: 'soil',
      caption: 'Face of the pit in the mulch ring',
      touched: {
        bar: { of: 'rod', from: place(tape.from), to: place(tape.to), length: tape.length },
        face: face.map(place),
      },
    },
  ]);
}

/** The base of the stem at each visit, from the south. */
async function addStem(db: Db, viewer: Viewer, { tree, visits }: CaseFile): Promise<void> {
  const yearOf = (visit: Visit) => Number(visit.date.slice(0, 4));
  const known = { diameter: tree.stemDiameter!, in: yearOf(visits.at(-1)!) };
  for (const visit of visits) {
    const raster = stemPhotograph(stemIn(yearOf(visit), known), 180, yearOf(visit));
    await keepTaken(db, viewer, STEM_AT, visit, [
      { photo: { raster, sheet: [], tie: undefined, bearing: 180 }, shows: 'base' },
    ]);
  }
}

async function keepTaken(
  db: Db,
  viewer: Viewer,
  treeId: string,
  visit: Visit,
  all: readonly Taken[],
): Promise<void> {
  const at = await db.row<{ id: string }>('select id from visits where tree_id = $1 and visited_on = $2', [
    treeId,
    visit.date,
  ]);
  for (const { photo, caption, shows = 'dig', leavesOf, touched } of all) {
    const read = await readPicture(await photographFile(photo));
    if ('problem' in read) throw new Error(read.problem);
    await keepPicture(db, await stow(viewer.firmId, read));
    const { hash, width, height } = read;
    const { bearing, sheet, tie } = photo;
    const looks = tie || leavesOf ? { found: readMarkers(await pixelsOf(read.page)), ...tie } : undefined;
    const values = {
      hash,
      width,
      height,
      on: visit.date,
      by: visit.by,
      shows,
      ...(bearing !== undefined && { bearing }),
      ...(caption && { caption }),
      ...touched,
      ...(sheet.length === 4 && { sheet: { kind: 'a4' as const, corners: sheet } }),
      ...(looks && { cards: looks }),
      ...(leavesOf && { leaves: await leavesOn(read, looks!.found, leavesOf) }),
    };
    const [saved] = await saveChanges(db, viewer, [
      { kind: 'picture', id: idOf('picture', at!.id, { hash }), parent: at!.id, base: 0, values },
    ]);
    if (saved?.status !== 'saved') throw new Error(`Photograph from ${bearing}: ${JSON.stringify(saved)}`);
  }
}

/** The colour of leaves in a picture, as the program measures it. */
async function leavesOn(
  read: ReadPicture,
  found: readonly SeenMarker[],
  of: (typeof LEAVES_OF)[number],
): Promise<Picture['leaves']> {
  const plane = planeOfCards(read, found);
  const leaves = 'problem' in plane ? plane : leafColourOf(await pixelsOf(read.page), plane);
  if ('problem' in leaves) throw new Error(leaves.problem);
  const round = (v: number) => Math.round(v * 1000) / 1000;
  return {
    of,
    index: round(leaves.index),
    spread: round(leaves.spread),
    error: round(leaves.error),
    count: leaves.leaves,
    veins: { index: round(leaves.veins.index), error: round(leaves.veins.error) },
  };
}

async function pixelsOf(file: Uint8Array): Promise<Raster> {
  const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
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
    const properties = PROPERTIES();
    const photographed = properties.flatMap((p) => p.trees).find(({ id }) => id === PHOTOGRAPHED)!.caseFile;
    const newestDig = photographed.visits.findLast((v) => v.dig !== undefined)!.dig!;
    for (const property of properties) {
      const clientId = randomUUID();
      await db.rows(grounds.ADD_CLIENT, [clientId, property.client]);
      await db.rows(grounds.ADD_PROPERTY, [property.id, clientId, property.name, property.note]);
      await db.rows(grounds.SET_PLAN, [property.id, JSON.stringify(property.plan), 1]);
      await keepWeather(db, property.id, await askWeather(simulatedWeather, property.id, today()));
      for (const { id, caseFile } of property.trees) {
        await addTree(db, viewer, property.id, id, caseFile);
        if (id === PHOTOGRAPHED) await addPhotographs(db, viewer, caseFile);
        if (id === LEAVES_AT) await addLeaves(db, viewer, caseFile);
        if (id === STEM_AT) await addStem(db, viewer, caseFile);
        if (id === FACE_AT) await addFace(db, viewer, caseFile);
        if (id === UNTRACED) await addUntraced(db, viewer, caseFile, newestDig);
        trees++;
      }
    }
  });
  console.log(`· demo data: ${trees} trees`);
}
await closePool();
