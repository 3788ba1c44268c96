-- The healthy trees of a property are looked up whenever one of its trees is opened: few among tens of thousands.
create index trees_for_reference on trees (firm_id, property_id) where reference and deleted_at is null;
