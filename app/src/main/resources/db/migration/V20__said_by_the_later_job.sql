-- Whether a vehicle that came back may be moved is said by the job that goes on with it.
alter table job_summary
    drop constraint job_summary_may_move,
    add constraint job_summary_may_move check (may_move in (
        'SAID_BY_THE_LATER_JOB', 'NOT_AT_ALL', 'IN_THE_YARD', 'TO_BE_PROVED', 'TO_THE_WORKSHOP', 'UNTIL_RECHECK',
        'RELEASED'));
update job_summary set may_move = 'SAID_BY_THE_LATER_JOB' where stage = 'comeback';
