-- What the workshop told of itself: tools, helper, lift, rate, prices. Every change is a new version; the latest counts.
create table workshop_settings (
    version   integer     primary key check (version >= 1),
    told_at   timestamptz not null,
    person_id text        not null references person (id),
    body      jsonb       not null
);

create trigger workshop_settings_is_append_only before update or delete on workshop_settings
    for each row execute function refuse_change();
create trigger workshop_settings_is_not_truncated before truncate on workshop_settings
    for each statement execute function refuse_change();
