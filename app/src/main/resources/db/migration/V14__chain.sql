-- Every entry carries the hash of the one before it in its job, so that a change behind the application's back is found by ./overturn verify.
-- What may have to be erased on request (which vehicle, whose, the number of its order) lies beside the chain; the entry holds its salted digest.
create table entry_beside (
    entry_id uuid  primary key references log_entry (id) deferrable initially deferred,
    salt     text  not null,
    body     jsonb not null
);
create trigger entry_beside_is_not_changed before update on entry_beside
    for each row execute function refuse_change();
create trigger entry_beside_is_not_truncated before truncate on entry_beside
    for each statement execute function refuse_change();
grant select, insert, delete on entry_beside to overturn;

alter table log_entry add column previous_hash text;
alter table log_entry add column hash text;

-- What of an entry lies beside the chain; null where nothing does.
create function lies_beside(kind text, body jsonb) returns jsonb language sql immutable as
$$ select case when kind = 'job-opened'
               then (select jsonb_object_agg(key, value) from jsonb_each(body) where key in ('vehicle', 'about')) end $$;

create function beside_digest(salt text, aside jsonb) returns text language sql immutable as
$$ select encode(sha256(convert_to(salt || aside::text, 'UTF8')), 'hex') $$;

-- SHA-256 over everything an entry says, and the hash of the one before it; the fields are set apart by the unit separator.
create function entry_hash(e log_entry) returns text language sql immutable as
$$ select encode(sha256(convert_to(concat_ws(chr(31),
       e.previous_hash, e.id, e.job_id, e.sequence,
       (extract(epoch from e.log_entered_at) * 1000000)::bigint,
       coalesce((extract(epoch from e.log_taken_at) * 1000000)::bigint::text, ''),
       e.person_id, e.kind, e.body_version, e.catalogue_version, coalesce(e.spent_minutes::text, ''), e.body), 'UTF8')), 'hex') $$;

create function chain_entry() returns trigger language plpgsql as
$$ declare
    aside jsonb := lies_beside(new.kind, new.body);
    salt  text  := gen_random_uuid()::text;
begin
    if aside is not null then
        insert into entry_beside (entry_id, salt, body) values (new.id, salt, aside);
        new.body := (new.body - 'vehicle' - 'about') || jsonb_build_object('beside', beside_digest(salt, aside));
    end if;
    new.previous_hash := coalesce((select hash from log_entry where job_id = new.job_id and sequence = new.sequence - 1), '');
    new.hash := entry_hash(new);
    return new;
end $$;

-- The logs so far, once.
alter table log_entry disable trigger log_entry_is_append_only;
with aside as (
    insert into entry_beside (entry_id, salt, body)
    select id, gen_random_uuid()::text, lies_beside(kind, body) from log_entry where lies_beside(kind, body) is not null
    returning entry_id, salt, body)
update log_entry e
   set body = (e.body - 'vehicle' - 'about') || jsonb_build_object('beside', beside_digest(a.salt, a.body))
  from aside a
 where a.entry_id = e.id;
do $$
declare
    e        log_entry;
    job      uuid;
    previous text := '';
begin
    for e in select * from log_entry order by job_id, sequence loop
        if job is distinct from e.job_id then previous := ''; end if;
        e.previous_hash := previous;
        previous := entry_hash(e);
        job := e.job_id;
        update log_entry set previous_hash = e.previous_hash, hash = previous where id = e.id;
    end loop;
end $$;
set constraints all immediate;
alter table log_entry enable trigger log_entry_is_append_only;
alter table log_entry alter column previous_hash set not null;
alter table log_entry alter column hash set not null;

create trigger log_entry_is_chained before insert on log_entry
    for each row execute function chain_entry();

-- On request a name and pictures are erased; everything else of these tables stays as it is.
create function refuse_all_but_the_name() returns trigger language plpgsql as
$$ begin
    if (old.id, old.known_since, old.layout_id) is distinct from (new.id, new.known_since, new.layout_id) then
        raise exception 'the log is append-only';
    end if;
    return new;
end $$;
drop trigger vehicle_is_append_only on vehicle;
create trigger vehicle_is_not_deleted before delete on vehicle
    for each row execute function refuse_change();
create trigger vehicle_keeps_all_but_its_name before update on vehicle
    for each row execute function refuse_all_but_the_name();
grant update (name) on vehicle to overturn;
drop trigger photo_is_append_only on photo;
create trigger photo_is_not_changed before update on photo
    for each row execute function refuse_change();
grant delete on photo to overturn;
