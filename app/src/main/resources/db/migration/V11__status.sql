-- A line of the bay says of a job what every other page says: what was decided and whether it was proven, what is done
-- next, whether it may be moved. Lines from before are made anew in the background, those of closed jobs too.
alter table job_summary
    add column decided      text[] not null default '{}',
    add column turned_out   text,
    add column next_kind    text,
    add column next_subject text,
    add column may_move     text;
