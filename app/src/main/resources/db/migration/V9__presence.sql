-- Which devices look at a job just now; nothing of it is kept.
create unlogged table presence (
    job_id    uuid        not null,
    device_id uuid        not null,
    person_id text        not null,
    doing     text        not null,
    seen_at   timestamptz not null,
    primary key (job_id, device_id)
);
grant select, insert, update, delete on presence to overturn;
