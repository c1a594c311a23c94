-- Layouts that the workshop made from a preset. A layout that has been saved never changes, since jobs stand on it; another version
-- gets another id.
create table saved_layout (
    id        text primary key,
    saved_at  timestamptz not null,
    person_id text        not null references person (id),
    body      jsonb       not null
);

create trigger saved_layout_is_append_only before update or delete on saved_layout
    for each row execute function refuse_change();
create trigger saved_layout_is_not_truncated before truncate on saved_layout
    for each statement execute function refuse_change();
