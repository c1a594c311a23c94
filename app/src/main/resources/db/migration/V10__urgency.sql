-- Jobs are listed by how much they block the shop, and those to be looked at again say when.
alter table job_summary
    add column urgency    smallint not null default 1,
    add column recheck_on date;

update job_summary
   set urgency = case
           when stage in ('under-repair', 'proving-on-chocks', 'proving-in-the-yard', 'proving-on-the-road') then 4
           when still_fitted > 0 then 3
           when stage in ('accepted', 'comeback') then 2
           when stage = 'tracing' then 1
           else 0
       end,
       recheck_on = case
           when stage = 'released-conditionally' then
               (select nullif(e.body ->> 'recheckOn', '')::date
                  from log_entry e
                 where e.job_id = job_summary.job_id and e.kind = 'job-released'
                 order by e.sequence desc
                 limit 1)
       end;

drop index job_summary_newest;
drop index job_summary_open;
drop index job_summary_stage;
create index job_summary_newest on job_summary (urgency desc, log_opened_at desc, job_id desc);
create index job_summary_open on job_summary (open, urgency desc, log_opened_at desc, job_id desc);
create index job_summary_stage on job_summary (stage, urgency desc, log_opened_at desc, job_id desc);
