-- Who works here. Accounts come later; a name stands on every entry.
create table person (
    id   text primary key,
    name text not null,
    role text not null
);

-- A job exists by its log; the row is only the anchor of its entries.
create table job (
    id          uuid primary key,
    log_opened_at timestamptz not null
);

-- The log of a job. Entries are appended, struck by a later entry, never changed.
create table log_entry (
    id             uuid primary key,
    job_id         uuid        not null references job (id),
    sequence       integer     not null check (sequence >= 1),
    log_entered_at timestamptz not null,
    person_id      text        not null references person (id),
    kind           text        not null,
    body           jsonb       not null,
    unique (job_id, sequence)
);

create function refuse_change() returns trigger language plpgsql as
$$ begin raise exception 'the log is append-only'; end $$;

create trigger log_entry_is_append_only before update or delete on log_entry
    for each row execute function refuse_change();
create trigger log_entry_is_not_truncated before truncate on log_entry
    for each statement execute function refuse_change();

insert into person (id, name, role) values
    ('ines-quill',  'Ines Quill',  'lead'),
    ('tobias-renn', 'Tobias Renn', 'technician'),
    ('marit-osei',  'Marit Osei',  'technician'),
    ('juno-vale',   'Juno Vale',   'apprentice');
