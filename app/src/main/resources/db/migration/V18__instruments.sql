-- Instruments that say that they are there, until they are registered; nothing is lost where a crash empties it.
create unlogged table instrument_announced (
    serial  text        primary key,
    kind    text        not null,
    host    text        not null,
    port    integer     not null check (port between 1 and 65535),
    seen_at timestamptz not null
);
grant select, insert, update, delete on instrument_announced to overturn;

-- Instruments of the workshop, by name. What each shows at rest is subtracted from what it shows.
create table instrument (
    id            uuid             primary key,
    serial        text             not null,
    kind          text             not null,
    name          text             not null,
    at_rest       double precision not null,
    registered_at timestamptz      not null,
    person_id     text             not null references person (id)
);
create table instrument_retired (
    instrument_id uuid        primary key references instrument (id),
    retired_at    timestamptz not null,
    person_id     text        not null references person (id)
);
create trigger instrument_is_append_only before update or delete on instrument
    for each row execute function refuse_change();
create trigger instrument_is_not_truncated before truncate on instrument
    for each statement execute function refuse_change();
create trigger instrument_retired_is_append_only before update or delete on instrument_retired
    for each row execute function refuse_change();
create trigger instrument_retired_is_not_truncated before truncate on instrument_retired
    for each statement execute function refuse_change();
grant select, insert on instrument, instrument_retired to overturn;
