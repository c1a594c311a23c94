-- Every entry tells in which version its body is written and which catalogue judged it, so that later versions can read it.
alter table log_entry add column body_version integer not null default 1;
alter table log_entry add column catalogue_version text not null default 'before 2026-11-27';
-- Minutes spent on it, from the start of a test to its entry, as whoever entered it left them.
alter table log_entry add column spent_minutes double precision check (spent_minutes >= 0);
alter table workshop_settings add column body_version integer not null default 1;

-- Which catalogue found where a job stands; and where it stood by the one before, where an upgrade changed that, until the next entry.
alter table job_summary add column catalogue_version text;
alter table job_summary add column moved_from_remedy_id text;
alter table job_summary add column moved_from_grade text;
alter table job_summary add column moved_from_probability double precision;
alter table job_summary add column moved_from_version text;

-- The people of the demo belong to the demo, which adds them itself. Those whose name stands on anything stay.
delete from person p
 where p.id in ('ines-quill', 'tobias-renn', 'marit-osei', 'juno-vale')
   and not exists (select 1 from log_entry e where e.person_id = p.id)
   and not exists (select 1 from saved_layout l where l.person_id = p.id)
   and not exists (select 1 from layout_withdrawal w where w.person_id = p.id)
   and not exists (select 1 from workshop_settings s where s.person_id = p.id);
