-- A picture that a client's link shows: only while the link does, and only one that was put into what it shows.
create function auth_offer_picture(wanted_token_hash bytea, wanted text)
returns table (page bytea)
language sql stable security definer set search_path = public, pg_temp as $$
  select f.page
    from offers o join picture_files f on f.firm_id = o.firm_id and f.hash = wanted
   where o.token_hash = wanted_token_hash
     and (o.approved_at is not null or (o.revoked_at is null and o.expires_at > now()))
     and exists (select from jsonb_array_elements(coalesce(o.content::jsonb -> 'pictures', '[]')) p where p ->> 'hash' = wanted)
$$;
