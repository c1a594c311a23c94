-- Whoever appends announces it after the commit, many at once: a notice within the transaction of an entry holds a lock of the whole cluster
-- until that transaction is safe on every standby, so that one entry after the other would be written.
drop trigger log_entries_are_announced on log_entry;
drop function announce_entries();
