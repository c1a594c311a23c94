-- One announcement for each job that a statement appends to, of its last place, not one for each row.
drop trigger log_entry_is_announced on log_entry;
drop function announce_entry();

create function announce_entries() returns trigger language plpgsql as
$$ begin
    perform pg_notify('log_entry', job_id || ' ' || max(sequence)) from added group by job_id;
    return null;
end $$;

create trigger log_entries_are_announced after insert on log_entry
    referencing new table as added
    for each statement execute function announce_entries();

-- A line of the bay is about a vehicle that has a record; within a transaction either may come first.
insert into vehicle (id, known_since, name, layout_id)
select distinct on (vehicle_id) vehicle_id, log_opened_at, vehicle, layout_id
  from job_summary
 where not exists (select 1 from vehicle v where v.id = job_summary.vehicle_id)
 order by vehicle_id, log_opened_at desc;
alter table job_summary
    add constraint job_summary_is_of_a_vehicle foreign key (vehicle_id) references vehicle (id) deferrable initially deferred;

-- Words of a line that the program writes by a fixed list. Lines can be made anew, logs cannot: in those any word may stand.
alter table job_summary
    add constraint job_summary_stage check (stage in (
        'tracing', 'accepted', 'waiting', 'under-repair', 'proving-on-chocks', 'proving-in-the-yard',
        'proving-on-the-road', 'released-conditionally', 'released', 'release-taken-back', 'comeback', 'given-up')),
    add constraint job_summary_grade check (grade in ('OPEN', 'PROBABLE', 'PROVEN')),
    add constraint job_summary_moved_from_grade check (moved_from_grade in ('OPEN', 'PROBABLE', 'PROVEN')),
    add constraint job_summary_turned_out check (turned_out in (
        'PROVEN', 'ASSUMED', 'ASSUMED_THEN_PROVEN', 'ASSUMED_NEVER_PROVEN')),
    add constraint job_summary_next_kind check (next_kind in (
        'TEST', 'DECIDE', 'WAIT_FOR_PART', 'STEP', 'BLEED', 'LEVEL', 'REST', 'SET_BACK', 'CHECK', 'SIGN_CONDITIONALLY',
        'NEXT_DAY', 'SIGN', 'CAME_BACK', 'NOTHING')),
    add constraint job_summary_may_move check (may_move in (
        'NOT_AT_ALL', 'IN_THE_YARD', 'TO_BE_PROVED', 'TO_THE_WORKSHOP', 'UNTIL_RECHECK', 'RELEASED'));
