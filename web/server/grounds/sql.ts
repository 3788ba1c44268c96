import { USUAL_READINGS } from '../../protocol/heavy';
import { READ_KINDS } from '../../work/property/stored';
import { STORED } from '../../work/tree/items';
import { listed, readPlaces } from '../cases/sql';
import { HOUSE } from '../house';
/** All SQL of clients, properties and the lists over them. */
export const LIST_PROPERTIES = `with counted as (
    select property_id, count(*)::int as trees from trees where deleted_at is null group by property_id
  ), seen as (
    select t.property_id, count(distinct t.id)::int as visited, max(v.visited_on)::text as last_visit
    from visits v join trees t on t.firm_id = v.firm_id and t.id = v.tree_id
    where v.deleted_at is null and t.deleted_at is null group by t.property_id
  )
  select p.id, p.name, c.name as client, coalesce(counted.trees, 0) as trees, coalesce(seen.visited, 0) as visited, seen.last_visit,
    case when p.weather -> 'place' ? 'longitude' then p.weather -> 'place' end as place
  from properties p
  left join clients c on c.firm_id = p.firm_id and c.id = p.client_id
  left join counted on counted.property_id = p.id
  left join seen on seen.property_id = p.id
  where p.deleted_at is null order by p.name`;

/** $1 is a pattern for ilike. */
export const SEARCH = `
  (select 'property' as kind, p.name as title, coalesce(c.name, '') as detail, '/grounds/' || p.id as href
     from properties p left join clients c on c.firm_id = p.firm_id and c.id = p.client_id
    where p.deleted_at is null and (p.name ilike $1 or c.name ilike $1 or p.note ilike $1) order by p.name limit 5)
  union all
  (select 'tree', t.label, concat_ws(', ', t.species, p.name), '/trees/' || t.id
     from trees t join properties p on p.firm_id = t.firm_id and p.id = t.property_id
    where t.deleted_at is null and p.deleted_at is null
      and (t.label ilike $1 or t.species ilike $1 or t.common_name ilike $1 or t.note ilike $1) order by t.label limit 12)
  union all
  (select 'event', e.kind || ' ' || e.happened, concat_ws(', ', t.label, e.note), '/trees/' || t.id || '?station=history'
     from tree_events e join trees t on t.firm_id = e.firm_id and t.id = e.tree_id
    where e.deleted_at is null and t.deleted_at is null and (e.note ilike $1 or e.kind ilike $1) order by e.happened desc limit 5)
  union all
  (select 'report', r.number, t.label, '/reports/' || r.id
     from reports r join visits v on v.firm_id = r.firm_id and v.id = r.visit_id join trees t on t.firm_id = v.firm_id and t.id = v.tree_id
    where r.number ilike $1 order by r.number desc limit 5)
  union all
  (select 'report', r.number, p.name, '/property-reports/' || r.id
     from property_reports r join properties p on p.firm_id = r.firm_id and p.id = r.property_id
    where r.number ilike $1 order by r.number desc limit 5)`;

export const PROPERTY = `select p.id, p.version, p.name, p.note, p.plan, p.round_started::text as "roundStarted", p.weather, c.name as client
  from properties p left join clients c on c.firm_id = p.firm_id and c.id = p.client_id
  where p.id = $1 and p.deleted_at is null`;

/** Trees of a property as one text, each as a list. $1 property. */
export const TREES_OF = `select coalesce(json_agg(${listed('tree', 't')} order by t.label), '[]')::text as trees
  from trees t where t.property_id = $1 and t.deleted_at is null`;

export const TREE_HEADS = `select id, label, version from trees where property_id = $1 and deleted_at is null`;
export const TREES_BY_IDS = `select * from trees where id = any($1)`;
export const PLACED_TREES = `select label, species, x, y from trees
  where property_id = $1 and deleted_at is null and x is not null and y is not null order by label`;

/** The roots of a large dig are left to whoever opens the tree: the dig stands there without them. */
const NOT_LARGE = `
          and (select sum(jsonb_array_length(l.points)) from roots l
                where l.firm_id = v.firm_id and l.visit_id = v.id and l.deleted_at is null) <= ${USUAL_READINGS}`;

/** Kinds below a visit that a property reads, as lists under their names. */
const readOf = READ_KINDS.map(
  (kind) => `'${kind}', coalesce((select json_agg(${listed(kind, 'i')}) from ${STORED[kind].table} i
        where i.firm_id = v.firm_id and i.visit_id = v.id and i.deleted_at is null${kind === 'root' ? NOT_LARGE : ''}), '[]')`,
).join(',\n    ');

/**
 * The newest visits of each tree of a property, of which one or two may be walk-rounds, each with its readings; newest
 * first. Each is one text, which nobody takes apart before it is worked with.
 */
export const NEWEST_VISITS = `select coalesce(json_agg(n.stored), '[]')::text as visits from (
  select json_build_object('visit', ${listed('visit', 'v')},
    ${readOf},
    'event', coalesce((select json_agg(${listed('event', 'e')}) from tree_events e
        where e.firm_id = v.firm_id and e.tree_id = v.tree_id and e.deleted_at is null), '[]')) as stored
  from trees t cross join lateral (
    select * from visits n where n.firm_id = t.firm_id and n.tree_id = t.id and n.deleted_at is null
     order by n.visited_on desc limit 4) v
  where t.property_id = $1 and t.deleted_at is null
  order by v.tree_id, v.visited_on desc limit 2000) n`;

/** By what positions are told on the plan of a property. $1 property. */
export const READ_PLACES = readPlaces('$1');

export const ADD_CLIENT = `insert into clients (firm_id, id, name) values (current_firm(), $1, $2)`;
export const FIND_CLIENT = `select id from clients where name = $1 and deleted_at is null`;
export const ADD_PROPERTY = `insert into properties (firm_id, id, client_id, name, note) values (current_firm(), $1, $2, $3, $4)`;
export const SET_PROPERTY = `update properties set name = $2, note = $3, client_id = $4 where id = $1 and version = $5 returning version`;
/** The row is held until the transaction ends: who adds next waits and finds what was added. */
export const HOLD_PROPERTY = `select id from properties where id = $1 and deleted_at is null for update`;
export const SET_PLAN = `update properties set plan = $2 where id = $1 and version = $3 returning version`;
export const DELETE_PROPERTY = `update properties set deleted_at = now() where id = $1 and deleted_at is null returning name`;
export const RESTORE_PROPERTY = `update properties set deleted_at = null where id = $1`;
/** Practice on the property of $1, the firm's and its own. */
export const PRACTICE_ON = `select p.name, p.version, ${HOUSE} as house, f.judgements
  from firms f join properties p on p.firm_id = f.firm_id where p.id = $1 and p.deleted_at is null`;
export const CHOOSE_PROPERTY_SCHOOL = `update properties set schools = (schools - $2::text) || $3::jsonb where id = $1 and deleted_at is null returning id`;
export const SET_PROPERTY_SCHOOLS = `update properties set schools = $2 where id = $1 and version = $3 returning version`;
export const BEGIN_ROUND = `update properties set round_started = $2 where id = $1 and deleted_at is null returning name`;
export const SET_WEATHER = `update properties set weather = $2 where id = $1 and deleted_at is null returning name`;
export const WEATHER_PLACE = `select weather -> 'place' as place from properties where id = $1 and deleted_at is null`;
/**
 * Where nothing was read yet, a record without seasons. Beyond the equator the growing season is the other half of the
 * year: what was read goes, to be read again.
 */
export const SET_PLACE = `update properties
  set weather = coalesce(weather, '{"source": "as noted"}'::jsonb)
    || jsonb_build_object('place', $2::jsonb, 'seasons',
      case when (coalesce((weather #>> '{place,latitude}')::numeric, 0) < 0) = (($2::jsonb ->> 'latitude')::numeric < 0)
        then coalesce(weather -> 'seasons', '[]'::jsonb) else '[]'::jsonb end)
  where id = $1 and deleted_at is null returning name, jsonb_array_length(weather -> 'seasons') as seasons`;
/** Keeps a record that came with a case, where none was read. */
export const KEEP_WEATHER = `update properties
  set weather = $2::jsonb || case when weather ? 'place' then jsonb_build_object('place', weather -> 'place') else '{}' end
  where id = $1 and (weather is null or (weather -> 'seasons' = '[]'
    and (coalesce((weather #>> '{place,latitude}')::numeric, 0) < 0) = (coalesce(($2::jsonb #>> '{place,latitude}')::numeric, 0) < 0)))`;

/** Trees with a dig of more readings of roots than lists work out. $1 property, $2 readings. */
export const WITH_LARGE_DIGS = `select distinct t.id, t.label
  from trees t
  join visits v on v.firm_id = t.firm_id and v.tree_id = t.id and v.deleted_at is null
  join roots r on r.firm_id = v.firm_id and r.visit_id = v.id and r.deleted_at is null
  where t.property_id = $1 and t.deleted_at is null
  group by t.id, t.label, v.id
  having sum(jsonb_array_length(r.points)) > $2::integer`;

export const TREES_WITH_TRENCHES = `select t.id from trees t
  where t.property_id = $1 and t.deleted_at is null and exists (
    select from trench_designs d join visits v on v.firm_id = d.firm_id and v.id = d.visit_id
    where v.firm_id = t.firm_id and v.tree_id = t.id and d.deleted_at is null and v.deleted_at is null)
  order by t.label`;
