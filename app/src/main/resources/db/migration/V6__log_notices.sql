-- Every appended entry is announced, so that the pages of other devices, whichever server they are at, learn of it.
create function announce_entry() returns trigger language plpgsql as
$$ begin perform pg_notify('log_entry', new.job_id || ' ' || new.sequence); return null; end $$;

create trigger log_entry_is_announced after insert on log_entry
    for each row execute function announce_entry();
