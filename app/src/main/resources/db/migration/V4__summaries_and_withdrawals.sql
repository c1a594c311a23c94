-- When an entry was made on the device; null in entries from before this was told: then it was when it arrived.
alter table log_entry add column log_taken_at timestamptz;

-- A layout that is no longer offered for new jobs. Jobs that stand on it keep it.
create table layout_withdrawal (
    layout_id    text primary key references saved_layout (id),
    withdrawn_at timestamptz not null,
    person_id    text        not null references person (id)
);
create trigger layout_withdrawal_is_append_only before update or delete on layout_withdrawal
    for each row execute function refuse_change();
create trigger layout_withdrawal_is_not_truncated before truncate on layout_withdrawal
    for each statement execute function refuse_change();

-- The lines of the bay: they follow from the logs, are written with them, and can be thrown away and made anew.
create extension if not exists pg_trgm;
create table job_summary (
    job_id            uuid primary key references job (id),
    sequence          integer     not null,
    stage             text        not null,
    open              boolean     not null,
    vehicle           text        not null,
    layout_id         text        not null,
    complaint         text        not null,
    opened_by_id      text        not null,
    log_opened_at     timestamptz not null,
    readings          integer     not null,
    hunch_id          text        not null,
    still_fitted      integer     not null,
    assessed_sequence integer,
    settings_version  integer,
    lead_suspect_id   text,
    lead_remedy_id    text,
    lead_probability  double precision,
    grade             text,
    next_procedure_id text,
    next_minutes      double precision,
    search_text       text generated always as (lower(vehicle || ' ' || complaint || ' ' || layout_id)) stored,
    search_words      tsvector generated always as (to_tsvector('simple', vehicle || ' ' || complaint || ' ' || layout_id)) stored
);
create index job_summary_newest on job_summary (log_opened_at desc, job_id desc);
create index job_summary_open on job_summary (open, log_opened_at desc, job_id desc);
create index job_summary_stage on job_summary (stage, log_opened_at desc, job_id desc);
create index job_summary_text on job_summary using gin (search_text gin_trgm_ops);
create index job_summary_words on job_summary using gin (search_words);

-- The server works as a role that may add to logs and read them, and owns nothing: it cannot switch the triggers off.
grant usage on schema public to overturn;
grant select, insert on person, job, log_entry, saved_layout, layout_withdrawal, workshop_settings to overturn;
grant select, insert, update, delete on job_summary to overturn;
