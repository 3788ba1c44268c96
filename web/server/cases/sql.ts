import { HOUSE } from '../house';
import { KIND_KEYS, kindsBelow, type Kind } from '@undrel/core/records';
import { STORED } from '../../work/tree/items';

/** The table that the parent of an item is in. */
const PARENTS: Record<string, string> = { property_id: 'properties', tree_id: 'trees', visit_id: 'visits' };

/** Whether what an item belongs to is there; it is held so until the end of the transaction. $1 is its id. */
export const PARENT_THERE: Record<string, string> = Object.fromEntries(
  Object.entries(PARENTS).map(([column, table]) => [
    column,
    `select id from ${table} where id = $1 and deleted_at is null for share`,
  ]),
);

/**
 * The versioned write of one item. $1 id, $2 parent, $3 base version, $4 deleted, $5... columns.
 * Nothing comes back when the row has moved on from the base version. A base of 0 makes the row, or wakes a deleted one.
 */
function writeItem(kind: Kind): string {
  const { table, parent, columns } = STORED[kind];
  const marks = columns.map((_, i) => `$${i + 5}`);
  const sets = columns.map((name) => `${name} = excluded.${name}`);
  return `insert into ${table} as kept (firm_id, id, ${parent}, deleted_at, updated_by, ${columns.join(', ')})
    values (current_firm(), $1, $2, case when $4::boolean then now() end, current_actor(), ${marks.join(', ')})
    on conflict (firm_id, id) do update
      set ${sets.join(', ')}, deleted_at = excluded.deleted_at
      where kept.${parent} = excluded.${parent}
        and (kept.version = $3::integer or ($3::integer = 0 and kept.deleted_at is not null))
    returning version`;
}

const markDeleted = (kind: Kind): string =>
  `update ${STORED[kind].table} set deleted_at = now()
    where id = $1 and version = $2 and deleted_at is null returning version`;

const readItem = (kind: Kind): string =>
  `select kept.*, to_char(kept.updated_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as changed_at, u.name as changed_by
     from ${STORED[kind].table} kept left join users u on u.firm_id = kept.firm_id and u.id = kept.updated_by
    where kept.id = $1`;

const perKind = (make: (kind: Kind) => string) =>
  Object.fromEntries(KIND_KEYS.map((kind) => [kind, make(kind)])) as Record<Kind, string>;

export const WRITE = perKind(writeItem);
export const DELETE = perKind(markDeleted);
export const READ = perKind(readItem);

export const RESTORE_TREE = 'update trees set deleted_at = null where id = $1';

/** An item as a plain list: id, parent, version, then its columns in order. Half the size and time of named ones. */
export const listed = (kind: Kind, row: string): string => {
  const { parent, columns } = STORED[kind];
  return `json_build_array(${['id', parent, 'version', ...columns].map((c) => `${row}.${c}`).join(', ')})`;
};

const below = (kind: Kind, where: string) =>
  `coalesce((select json_agg(${listed(kind, 'i')}) from ${STORED[kind].table} i
      where i.firm_id = t.firm_id and i.deleted_at is null and i.${where}), '[]')`;

/** Below a visit of the tree: which visits it has is looked up once, as `its.visits`. */
const ofVisits = (kind: Kind) => below(kind, 'visit_id = any(its.visits)');

const decidedOn = (visits: string) =>
  `select from decisions where deleted_at is null and visit_id in (${visits})
   union all select from cut_designs where deleted_at is null and visit_id in (${visits})`;

/** A row where a consultant has judged or decided something below a visit or a tree. */
export const JUDGED_BELOW = {
  visit: `${decidedOn('select $1::text')} limit 1`,
  tree: `select from visits where tree_id = $1 and deleted_at is null and (opinion_cause is not null or client_words is not null)
   union all ${decidedOn('select id from visits where tree_id = $1 and deleted_at is null')} limit 1`,
};

/** How far about a tree its site is looked at, m. */
export const SITE_REACH = 30;

/** Trees with everything below them, in one round trip. $1: ids of the trees. */
export const LOAD_CASE = `select ${listed('tree', 't')} as tree,
    ${[
      ...kindsBelow('tree').map((kind) => `${below(kind, 'tree_id = t.id')} as "${kind}"`),
      ...kindsBelow('visit').map((kind) => `${ofVisits(kind)} as "${kind}"`),
    ].join(',\n    ')},
    p.name as property_name, p.id as property_id, coalesce(c.name, '') as client, ${HOUSE} as house, f.judgements as firm_table,
    f.closed_seasons as firm_closed,
    p.plan,
    coalesce((select json_agg(json_strip_nulls(json_build_object('label', o.label, 'x', o.x, 'y', o.y, 'stemDiameter', o.stem_diameter, 'error', o.position_error)))
      from trees o where o.firm_id = t.firm_id and o.property_id = t.property_id and o.id <> t.id and o.deleted_at is null
        and abs(o.x - t.x) < ${SITE_REACH} and abs(o.y - t.y) < ${SITE_REACH}), '[]') as others
  from trees t
  join properties p on p.firm_id = t.firm_id and p.id = t.property_id
  left join clients c on c.firm_id = p.firm_id and c.id = p.client_id
  join firms f on f.firm_id = t.firm_id
  cross join lateral (select array_agg(v.id) as visits from visits v
    where v.firm_id = t.firm_id and v.tree_id = t.id and v.deleted_at is null) its
  where t.id = any($1::text[]) and t.deleted_at is null`;

const tablesOf = (parent: 'tree' | 'visit') =>
  kindsBelow(parent)
    .map((kind) => `'${STORED[kind].table}'`)
    .join(', ');

/** What was written to a tree and everything below it, newest first. */
export const TREE_RECORD = `select a.id::text, to_char(a.at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') as at, u.name as by, a.action, a.subject,
    a.subject_id, a.before - 'content' as before, a.after - 'content' as after
  from audit_entries a left join users u on u.firm_id = a.firm_id and u.id = a.actor
  where (a.subject = 'trees' and a.subject_id = $1)
     or (a.subject in (${tablesOf('tree')}) and coalesce(a.after, a.before) ->> 'tree_id' = $1)
     or (a.subject in (${tablesOf('visit')}, 'offers', 'reports')
         and coalesce(a.after, a.before) ->> 'visit_id' in (select v.id from visits v where v.tree_id = $1))
  order by a.id desc limit 400`;

/** Holes of the soil probe beside a reference tree of a property. $1: the trees whose ground is set beside them. */
export const REFERENCE_LOGS = `select distinct on (t.id) t.id as tree_id, r.label,
    json_agg(json_build_object('place', l.place, 'bearing', l.bearing, 'distance', l.distance, 'layers', l.layers,
      'refusal', l.refusal, 'oldGrade', l.old_grade)) as logs
  from trees t
  join trees r on r.firm_id = t.firm_id and r.property_id = t.property_id and r.id <> t.id
    and r.reference and r.deleted_at is null
  join visits v on v.firm_id = r.firm_id and v.tree_id = r.id and v.deleted_at is null
  join soil_logs l on l.firm_id = v.firm_id and l.visit_id = v.id and l.deleted_at is null
  where t.id = any($1::text[])
  group by t.id, r.id, r.label
  order by t.id, r.label`;

/** Reference trees of the grounds of some trees, with what their visits read of the crown and the works done at them. $1 ids of the trees. */
export const YARDSTICKS = `select t.id as tree_id, t.species, r.species as beside, r.label,
    (select min(w.done_on)::text from work_done w join visits wv on wv.firm_id = w.firm_id and wv.id = w.visit_id and wv.deleted_at is null
      where w.firm_id = r.firm_id and wv.tree_id = r.id and w.deleted_at is null and w.how <> 'not done' and w.step !~ '^hold-') as treated,
    json_agg(json_build_object('date', v.visited_on, 'findings', (select coalesce(json_agg(json_build_object('key', f.key, 'part', f.part, 'number', f.number)), '[]')
      from findings f where f.firm_id = v.firm_id and f.visit_id = v.id and f.deleted_at is null and f.number is not null
        and f.key like 'crown.%')) order by v.visited_on) as visits
  from trees t
  join trees r on r.firm_id = t.firm_id and r.property_id = t.property_id and r.id <> t.id
    and r.reference and r.deleted_at is null
  join visits v on v.firm_id = r.firm_id and v.tree_id = r.id and v.deleted_at is null
  where t.id = any($1::text[])
  group by t.id, t.species, r.firm_id, r.id, r.species, r.label`;

/** The places of a property whose positions were read, the surest first, and whether any tree has a place. `property`: how a statement names it. */
export const readPlaces = (property: string): string => `select
    coalesce((select json_agg(t.tie) from (
      select json_strip_nulls(json_build_object('id', o.id, 'x', o.x, 'y', o.y, 'error', o.position_error, 'fix', o.fix)) as tie
      from trees o where o.property_id = ${property} and o.deleted_at is null and o.fix is not null and o.x is not null
      order by (o.position_error is not null), (o.fix ->> 'accuracy')::float limit 40) t), '[]') as ties,
    exists (select from trees o where o.property_id = ${property} and o.deleted_at is null and o.x is not null) as placed`;

const inList = (rows: string) => `(select coalesce(json_agg(r), '[]') from (${rows}) r)`;

/** What is looked up beside one tree, in one round trip: the places of its property, its yardsticks, the soil beside them. $1: its id, in a list. $2: its property. */
export const BESIDE_TREE = `select
    (select to_json(p) from (${readPlaces('$2')}) p) as places,
    ${inList(YARDSTICKS)} as yardsticks, ${inList(REFERENCE_LOGS)} as logs`;

/**
 * Trees with an answer that is a sign of danger, seen at the newest full visit or at a walk-round since, and not assessed
 * since then, nor taken down; those seen first before the others. $1 keys of findings, $2 their answers,
 * $3 the measure from which it is one where it is measured, m.
 */
export const SIGNS_SEEN = `with seen as (
    select v.tree_id, v.visited_on, coalesce(v.walk, false) as walk
    from unnest($1::text[], $2::text[], $3::float8[]) s(key, answer, least)
    join findings f on f.firm_id = current_firm() and f.key = s.key and (f.answer = s.answer or f.number >= s.least)
      and f.deleted_at is null
    join visits v on v.firm_id = f.firm_id and v.id = f.visit_id and v.deleted_at is null
  ), judged as (
    select distinct on (v.tree_id) v.tree_id, v.id, v.visited_on, coalesce(v.walk, false) as walk
    from visits v where v.firm_id = current_firm() and v.deleted_at is null and v.tree_id in (select tree_id from seen)
    order by v.tree_id, coalesce(v.walk, false), v.visited_on desc
  )
  select t.id as "treeId", t.label, p.name as property, min(seen.visited_on)::text as since
  from judged j
  join seen on seen.tree_id = j.tree_id
    and (seen.visited_on > j.visited_on or (seen.visited_on = j.visited_on and seen.walk = j.walk))
  join trees t on t.firm_id = current_firm() and t.id = j.tree_id and t.deleted_at is null
  join properties p on p.firm_id = t.firm_id and p.id = t.property_id and p.deleted_at is null
  where not exists (select from work_done w where w.firm_id = t.firm_id and w.visit_id = j.id and w.deleted_at is null
    and w.step in ('stability', 'remove') and w.how <> 'not done')
  group by t.id, t.label, p.name
  order by since, t.label`;
