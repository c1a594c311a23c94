-- Exercises: jobs on a hidden vehicle. They stand in no bay, feed or statistics of the shop. What is hidden follows from kind, level, suspects and seed.
create table exercise (
    id            uuid        primary key,
    person_id     text        not null references person (id),
    set_at        timestamptz not null,
    set_by_id     text        not null references person (id),
    kind          text        not null check (kind in ('one-fault', 'two-faults', 'nothing-wrong', 'comes-and-goes', 'lying-rig', 'in-no-list')),
    level         text        not null check (level in ('first-steps', 'everyday', 'hard')),
    layout_id     text        not null,
    suspect_ids   text[]      not null,
    seed          bigint      not null,
    lesson_id     text,
    from_job_id   uuid        references job (id)
);
create index exercise_of_person on exercise (person_id, set_at desc);

-- What was done to the hidden vehicle, asked and claimed, in order; at which tick of its own clock.
create table exercise_entry (
    id             uuid        primary key,
    exercise_id    uuid        not null references exercise (id),
    sequence       integer     not null check (sequence > 0),
    log_entered_at timestamptz not null,
    tick           bigint      not null check (tick >= 0),
    kind           text        not null,
    body           jsonb       not null,
    unique (exercise_id, sequence)
);

create trigger exercise_is_append_only before update or delete on exercise
    for each row execute function refuse_change();
create trigger exercise_is_not_truncated before truncate on exercise
    for each statement execute function refuse_change();
create trigger exercise_entry_is_append_only before update or delete on exercise_entry
    for each row execute function refuse_change();
create trigger exercise_entry_is_not_truncated before truncate on exercise_entry
    for each statement execute function refuse_change();
grant select, insert on exercise, exercise_entry to overturn;
