-- A vehicle is a record that jobs hang on: what the workshop calls it and its circuit.
create table vehicle (
    id          uuid primary key,
    known_since timestamptz not null,
    name        text        not null,
    layout_id   text        not null,
    search_text text generated always as (lower(name)) stored
);
create index vehicle_text on vehicle using gin (search_text gin_trgm_ops);

-- What has been found out about it, whichever job it was: distances, figures, notes. Appended, never changed.
create table vehicle_entry (
    id             uuid primary key,
    vehicle_id     uuid        not null references vehicle (id),
    sequence       integer     not null check (sequence >= 1),
    log_entered_at timestamptz not null,
    person_id      text        not null references person (id),
    kind           text        not null,
    body_version   integer     not null default 1,
    body           jsonb       not null,
    unique (vehicle_id, sequence)
);
create trigger vehicle_is_append_only before update or delete on vehicle
    for each row execute function refuse_change();
create trigger vehicle_is_not_truncated before truncate on vehicle
    for each statement execute function refuse_change();
create trigger vehicle_entry_is_append_only before update or delete on vehicle_entry
    for each row execute function refuse_change();
create trigger vehicle_entry_is_not_truncated before truncate on vehicle_entry
    for each statement execute function refuse_change();
grant select, insert on vehicle, vehicle_entry to overturn;

-- Jobs opened before this told the vehicle as text. Its record follows from that text, by the rule of Vehicle.idOf:
-- the name-based UUID (RFC 4122, version 3, without a namespace) of the text, stripped and in small letters.
create function vehicle_id_of(name text) returns uuid language sql immutable as
$$ select encode(set_byte(set_byte(hash, 6, get_byte(hash, 6) & 15 | 48), 8, get_byte(hash, 8) & 63 | 128), 'hex')::uuid
     from (select decode(md5(convert_to(lower(btrim(name)), 'UTF8')), 'hex') as hash) hashed $$;

insert into vehicle (id, known_since, name, layout_id)
select distinct on (vehicle_id_of(e.body ->> 'vehicle'))
       vehicle_id_of(e.body ->> 'vehicle'), e.log_entered_at, btrim(e.body ->> 'vehicle'), e.body ->> 'layoutId'
  from log_entry e
 where e.kind = 'job-opened'
 order by vehicle_id_of(e.body ->> 'vehicle'), e.log_entered_at desc;

alter table job_summary add column vehicle_id uuid;
update job_summary set vehicle_id = vehicle_id_of(vehicle);
alter table job_summary alter column vehicle_id set not null;
create index job_summary_vehicle on job_summary (vehicle_id, log_opened_at desc);
