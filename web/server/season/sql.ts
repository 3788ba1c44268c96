import { HOUSE } from '../house';

const rows = (table: string, what: string, more = '') =>
  `coalesce((select json_agg(${what}) from ${table} i where i.firm_id = v.firm_id and i.visit_id = v.id and i.deleted_at is null${more}), '[]')`;
const any = (table: string) =>
  `exists (select from ${table} i where i.firm_id = v.firm_id and i.visit_id = v.id and i.deleted_at is null)`;

/** Trees at which something was done or is to be looked at, with all that a calendar is told from. $1: their property, or null for all. */
export const LOOKED = `with found as (
    select d.tree_id from visits d where d.deleted_at is null and (d.look_again_on is not null or d.drain_check is not null)
    union
    select d.tree_id from work_done w join visits d on d.firm_id = w.firm_id and d.id = w.visit_id
      where w.deleted_at is null and d.deleted_at is null
  )
  select t.id as "treeId", t.label, t.species, t.schools, p.id as "propertyId", p.name as property, ${HOUSE} as house,
    (select max(n.received_at)::date::text from notices n where n.firm_id = p.firm_id and n.property_id = p.id) as noticed,
    json_agg(json_build_object('id', v.id, 'date', v.visited_on, 'walk', v.walk, 'lookOn', v.look_again_on, 'lookWhy', v.look_again_why,
      'drainCheck', v.drain_check,
      'work', ${rows('work_done', `json_build_object('step', i.step, 'how', i.how, 'on', i.done_on)`)},
      'followUps', ${rows('follow_ups', `json_strip_nulls(json_build_object('task', i.task, 'how', i.how, 'on', i.on_day, 'by', i.done_by, 'why', i.why, 'version', i.version))`)},
      'looks', ${rows('findings', 'i.key', ' and (i.answer is not null or i.number is not null)')},
      'profile', ${any('grade_profiles')}, 'probe', ${any('probe_points')}, 'push', ${any('pushes')}, 'dig', ${any('digs')}) order by v.visited_on) as visits
  from found join trees t on t.firm_id = current_firm() and t.id = found.tree_id
  join properties p on p.firm_id = t.firm_id and p.id = t.property_id and p.deleted_at is null
  join firms f on f.firm_id = t.firm_id
  join visits v on v.firm_id = t.firm_id and v.tree_id = t.id and v.deleted_at is null
  where t.deleted_at is null and ($1::text is null or p.id = $1)
  group by t.id, t.label, t.species, t.schools, p.firm_id, p.id, p.name, p.schools, p.weather, f.schools, f.species`;

/** The day on which a step of a visit was done. $1 visit, $2 step. */
export const DONE_ON = `select v.visited_on as visited, w.done_on as done from visits v
  left join work_done w on w.firm_id = v.firm_id and w.visit_id = v.id and w.step = $2 and w.how <> 'not done' and w.deleted_at is null
  where v.id = $1 and v.deleted_at is null`;

export const YARD = `select yard from firms`;
export const SET_YARD = `update firms set yard = $1::jsonb where firm_id = current_firm()`;
/** Grounds whose place is noted in full. */
export const PLACES = `select id, (weather #>> '{place,latitude}')::float as latitude, (weather #>> '{place,longitude}')::float as longitude
  from properties where deleted_at is null and weather #> '{place,latitude}' is not null and weather #> '{place,longitude}' is not null`;

export const ADD_FEED = `insert into calendar_feeds (firm_id, id, token_hash, name, who, property_id, created_by)
  values (current_firm(), $1, $2, $3, $4, $5, $6)`;
export const FEEDS = `select c.id, c.name, c.who, p.name as property, c.created_at::date::text as made, c.read_at::date::text as read
  from calendar_feeds c left join properties p on p.firm_id = c.firm_id and p.id = c.property_id
  where c.revoked_at is null order by c.created_at desc`;
export const REVOKE_FEED = `update calendar_feeds set revoked_at = now() where id = $1 and revoked_at is null returning id`;
export const FEED = `select * from auth_feed($1)`;

/** Trees at which something was done, those treated last first. $1: how many at most. */
export const TREATED_TREES = `select t.id from trees t join visits v on v.firm_id = t.firm_id and v.tree_id = t.id and v.deleted_at is null
  join work_done w on w.firm_id = v.firm_id and w.visit_id = v.id and w.deleted_at is null and w.how <> 'not done'
  join properties p on p.firm_id = t.firm_id and p.id = t.property_id and p.deleted_at is null
  where t.deleted_at is null group by t.id order by max(w.done_on) desc, t.id limit $1`;
