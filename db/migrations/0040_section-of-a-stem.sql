-- Tops of roots that were touched below the grade in a picture of a stem laid bare.
alter table pictures add column section jsonb;
