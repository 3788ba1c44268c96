export const ADD_NOTICE = `insert into notices (firm_id, id, property_id, token_hash, to_name, content, sha256, created_by, updated_by)
  values (current_firm(), $1, $2, $3, $4, $5, $6, current_actor(), current_actor())`;
export const NOTICES_OF = `select n.id, n.to_name as "to", n.created_at::date::text as made,
    case when n.received_at is not null then 'received' when n.revoked_at is not null then 'revoked' else 'open' end as state,
    n.received_at::date::text as received, n.received_name as by
  from notices n where n.property_id = $1 order by n.created_at desc limit 50`;
export const REVOKE_NOTICE = `update notices set revoked_at = now() where id = $1 and revoked_at is null and received_at is null returning id`;
export const SHOWN_NOTICE = `select content, sha256, to_name as "to", revoked, received_at::date::text as received, received_name as by from auth_notice($1)`;
export const RECEIVE = 'select auth_receive($1, $2, $3) as answer';
