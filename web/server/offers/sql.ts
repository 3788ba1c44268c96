/** All SQL of what clients are offered. */
export const ADD_OFFER = `insert into offers (firm_id, id, visit_id, token_hash, content, sha256, expires_at, created_by, updated_by)
  values (current_firm(), $1, $2, $3, $4, $5, now() + make_interval(days => $6), current_actor(), current_actor())`;
export const OFFERS_OF_TREE = `select o.id, o.sha256, o.content::jsonb -> 'options' as options,
    to_char(o.created_at at time zone 'UTC', 'YYYY-MM-DD') as made, u.name as by,
    to_char(o.expires_at at time zone 'UTC', 'YYYY-MM-DD') as expires,
    case when o.approved_at is not null then 'approved' when o.revoked_at is not null then 'revoked'
         when o.expires_at <= now() then 'expired' else 'open' end as state,
    o.approved_option, o.approved_name, o.approved_note, to_char(o.approved_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') as approved_on
  from offers o join visits v on v.firm_id = o.firm_id and v.id = o.visit_id
  left join users u on u.firm_id = o.firm_id and u.id = o.created_by
  where v.tree_id = $1 order by o.created_at desc`;
export const REVOKE = `update offers set revoked_at = now() where id = $1 and revoked_at is null and approved_at is null returning id`;
export const SHOWN = `select content, sha256, to_char(expires_at at time zone 'UTC', 'YYYY-MM-DD') as expires, expired, revoked,
    to_char(approved_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') as approved_on, approved_name, approved_option
  from auth_offer($1)`;
export const SHOWN_PICTURE = 'select firm_id, bytes from auth_offer_picture($1, $2)';
export const APPROVE = 'select auth_approve($1, $2, $3, $4, $5) as answer';
