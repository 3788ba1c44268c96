-- Pieces of pictures on their way, until they are whole: a line that breaks loses none of them.
create table picture_pieces (
  firm_id text not null,
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  at integer not null check (at >= 0),
  total integer not null check (total > 0),
  bytes bytea not null,
  created_at timestamptz not null default now(),
  created_by text,
  primary key (firm_id, hash, at)
);
alter table picture_pieces enable row level security;
create policy own_firm on picture_pieces
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
