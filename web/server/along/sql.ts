/** Trees of a property with their newest visit, and the pictures of all their visits. $1 property. */
export const ALONG = `select t.id, t.label, t.code,
    (select v.id from visits v where v.firm_id = t.firm_id and v.tree_id = t.id and v.deleted_at is null and not coalesce(v.walk, false)
      order by v.visited_on desc, v.id limit 1) as visit,
    (select v.id from visits v where v.firm_id = t.firm_id and v.tree_id = t.id and v.deleted_at is null
        and exists (select from roots r where r.firm_id = v.firm_id and r.visit_id = v.id and r.deleted_at is null)
      order by v.visited_on desc, v.id limit 1) as dug,
    (select v.id from visits v join trench_designs d on d.firm_id = v.firm_id and d.visit_id = v.id and d.deleted_at is null
      where v.firm_id = t.firm_id and v.tree_id = t.id and v.deleted_at is null
      order by v.visited_on desc, v.id limit 1) as trenched,
    coalesce((select json_agg(distinct p.hash) from pictures p join visits v on v.firm_id = p.firm_id and v.id = p.visit_id
      where v.firm_id = t.firm_id and v.tree_id = t.id and v.deleted_at is null and p.deleted_at is null), '[]') as pictures
  from trees t
  where t.property_id = $1 and t.deleted_at is null`;

export const TREE_OF_CODE = 'select id from trees where code = $1 and deleted_at is null';

/** What the device of a session holds. $1 session, $2 property, $3 whether it holds it. */
export const HOLDS = `update sessions set along = case when $3 then along || jsonb_build_object($2::text, now()) else along - $2::text end
  where id = $1`;

/** Devices that somebody of the firm is signed in on, with what they hold. $1 days that it stays there. */
export const DEVICES = `select s.id, u.name as person, coalesce(s.agent, '') as agent, s.last_seen_at as seen,
    coalesce((select json_agg(p.name order by p.name) from properties p
      where p.firm_id = s.firm_id and s.along ? p.id and (s.along ->> p.id)::timestamptz > now() - make_interval(days => $1)), '[]') as holds
  from sessions s join users u on u.firm_id = s.firm_id and u.id = s.user_id
  where s.expires_at > now() order by u.name, s.last_seen_at desc`;

/** What a tree that is not there yet would be assessed by. $1 property. */
export const BLANK_TREE = (
  house: string,
): string => `select p.id, p.name, ${house} as house, f.judgements as firm_table,
    f.closed_seasons as closed
  from properties p join firms f on f.firm_id = p.firm_id
  where p.id = $1 and p.deleted_at is null`;
