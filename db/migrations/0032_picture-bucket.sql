-- A row without bytes: they lie in the bucket of the installation, under firm, hash and size. Who may see them is asked of the row.
alter table picture_files
  alter column original drop not null,
  alter column page drop not null,
  alter column small drop not null,
  add constraint all_or_none check (num_nonnulls(original, page, small) in (0, 3));

-- The same answer as before, with the firm, of which the name in the bucket is made.
drop function auth_offer_picture(bytea, text);
create function auth_offer_picture(wanted_token_hash bytea, wanted text)
returns table (firm_id text, bytes bytea)
language sql stable security definer set search_path = public, pg_temp as $$
  select f.firm_id, f.page
    from offers o join picture_files f on f.firm_id = o.firm_id and f.hash = wanted
   where o.token_hash = wanted_token_hash
     and (o.approved_at is not null or (o.revoked_at is null and o.expires_at > now()))
     and exists (select from jsonb_array_elements(coalesce(o.content::jsonb -> 'pictures', '[]')) p where p ->> 'hash' = wanted)
$$;
