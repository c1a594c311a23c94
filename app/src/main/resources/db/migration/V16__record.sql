-- The record: one line for each job that is closed or came back. It follows from the log and can be made anew from it.
create table closed_job (
    job_id                uuid             primary key references job (id),
    sequence              integer          not null,
    vehicle_id            uuid             not null,
    vehicle               text             not null,
    layout_id             text             not null,
    family                text             not null,
    make                  text             not null,
    complaint             text             not null,
    behaviour             text             not null,
    hunch_id              text             not null,
    hunch_held            boolean,
    opened_by_id          text             not null,
    people                text[]           not null,
    log_opened_at         timestamptz      not null,
    log_closed_at         timestamptz      not null,
    stage                 text             not null check (stage in ('released', 'comeback', 'given-up')),
    remedies              text[]           not null,
    tried_before          text[]           not null,
    cause_id              text             not null,
    grade                 text             check (grade in ('OPEN', 'PROBABLE', 'PROVEN')),
    turned_out            text             check (turned_out in ('PROVEN', 'ASSUMED', 'ASSUMED_THEN_PROVEN', 'ASSUMED_NEVER_PROVEN')),
    came_back_at          timestamptz,
    comes_back_from       uuid,
    shares                jsonb            not null,
    steps                 jsonb            not null,
    spent_minutes         double precision not null,
    by_likelihood_minutes double precision,
    told                  text             not null,
    words                 tsvector generated always as (to_tsvector('english', told)) stored
);
create index closed_job_newest on closed_job (log_closed_at desc, job_id desc);
create index closed_job_vehicle on closed_job (vehicle_id, log_closed_at desc);
create index closed_job_family on closed_job (family, log_closed_at);
create index closed_job_words on closed_job using gin (words);
create index closed_job_remedies on closed_job using gin (remedies);
grant select, insert, update, delete on closed_job to overturn;

-- A search of the record that somebody keeps under a name.
create table saved_filter (
    person_id text        not null references person (id),
    name      text        not null,
    query     text        not null,
    saved_at  timestamptz not null,
    primary key (person_id, name)
);
grant select, insert, update, delete on saved_filter to overturn;

-- Counts that another workshop has learned, as they came. What each weighs is told in the settings of the workshop.
create table frequencies_taken (
    id        uuid        primary key,
    name      text        not null,
    taken_at  timestamptz not null,
    person_id text        not null references person (id),
    body      jsonb       not null
);
create trigger frequencies_taken_is_append_only before update or delete on frequencies_taken
    for each row execute function refuse_change();
create trigger frequencies_taken_is_not_truncated before truncate on frequencies_taken
    for each statement execute function refuse_change();
grant select, insert on frequencies_taken to overturn;
