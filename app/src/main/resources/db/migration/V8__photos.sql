-- Pictures that entries of the log name by their digest. Added, never changed.
create table photo (
    sha256 text  primary key check (sha256 ~ '^[0-9a-f]{64}$'),
    jpeg   bytea not null
);
create trigger photo_is_append_only before update or delete on photo
    for each row execute function refuse_change();
create trigger photo_is_not_truncated before truncate on photo
    for each statement execute function refuse_change();
grant select, insert on photo to overturn;
