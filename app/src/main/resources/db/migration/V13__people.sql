-- What a person of the workshop may do here. Names that came with a job from elsewhere have none. Whoever is there already gets one in
-- the role that the list said, and no password: the owner hands out links by which people set their own.
create table account (
    person_id     text    primary key references person (id),
    sign_in_name  text    not null unique,
    role          text    not null check (role in ('apprentice', 'technician', 'lead', 'owner')),
    may_release   boolean not null default false,
    active        boolean not null default true,
    password_hash text,
    pin_hash      text
);
insert into account (person_id, sign_in_name, role)
select id, id, case when role in ('apprentice', 'technician', 'lead', 'owner') then role else 'technician' end
  from person
 where role <> 'elsewhere';

grant update (name) on person to overturn;

-- What was changed about people, tablets and tokens, and by whom. Appended, never changed.
create table people_entry (
    id             bigint generated always as identity primary key,
    log_entered_at timestamptz not null,
    person_id      text references person (id),
    what           text        not null,
    about          text        not null
);
create trigger people_entry_is_append_only before update or delete on people_entry
    for each row execute function refuse_change();
create trigger people_entry_is_not_truncated before truncate on people_entry
    for each statement execute function refuse_change();

-- A link by which somebody sets a password, once. Without a person it makes the first owner.
create table invitation (
    token_sha256 text primary key,
    person_id    text references account (person_id),
    made_at      timestamptz not null,
    ends_at      timestamptz not null,
    used_at      timestamptz
);

-- A tablet of the workshop, on which people take over from one another by name and PIN.
create table tablet (
    id           uuid primary key,
    name         text        not null,
    token_sha256 text        not null unique,
    enrolled_at  timestamptz not null,
    enrolled_by  text        not null references account (person_id),
    withdrawn_at timestamptz
);
create table wrong_pin (
    tablet_id uuid    not null references tablet (id),
    person_id text    not null references account (person_id),
    times     integer not null check (times >= 1),
    primary key (tablet_id, person_id)
);

-- Passwords that did not fit, by name and by address, so that guessing gets slower. Old ones are thrown away.
create table failed_sign_in (
    name    text        not null,
    address text        not null,
    at      timestamptz not null
);
create index failed_sign_in_address on failed_sign_in (address, at);
create index failed_sign_in_name on failed_sign_in (name, at);

-- With what a device signs the entries of one person until the person hands it over.
create table entry_key (
    id           uuid primary key,
    person_id    text        not null references account (person_id),
    device_id    uuid        not null,
    secret       text        not null,
    made_at      timestamptz not null,
    withdrawn_at timestamptz
);
create index entry_key_person on entry_key (person_id);

-- What scripts sign in with: shown once, kept as a digest.
create table api_token (
    id           uuid primary key,
    name         text        not null,
    scopes       text[]      not null,
    token_sha256 text        not null unique,
    made_at      timestamptz not null,
    made_by      text        not null references account (person_id),
    withdrawn_at timestamptz
);

-- Sessions, in the tables that Spring Session works with (its schema-postgresql.sql).
create table spring_session (
    primary_id            char(36) not null primary key,
    session_id            char(36) not null,
    creation_time         bigint   not null,
    last_access_time      bigint   not null,
    max_inactive_interval integer  not null,
    expiry_time           bigint   not null,
    principal_name        varchar(100)
);
create unique index spring_session_ix1 on spring_session (session_id);
create index spring_session_ix2 on spring_session (expiry_time);
create index spring_session_ix3 on spring_session (principal_name);
create table spring_session_attributes (
    session_primary_id char(36)     not null references spring_session (primary_id) on delete cascade,
    attribute_name     varchar(200) not null,
    attribute_bytes    bytea        not null,
    primary key (session_primary_id, attribute_name)
);

grant select, insert on people_entry to overturn;
grant select, insert, update on account, invitation, tablet, entry_key, api_token to overturn;
grant select, insert, update, delete on wrong_pin, failed_sign_in, spring_session, spring_session_attributes to overturn;
