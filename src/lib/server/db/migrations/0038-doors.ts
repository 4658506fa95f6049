import { sql, type Kysely } from 'kysely';

/**
 * Who may come in: passwords and codes as their hashes, open sessions, hands at a tablet, keys for one use, what happened
 * at the doors. Secrets stand as fingerprints that open nothing.
 */
const STATEMENTS = [
	`create table credential (
	   person_id uuid primary key references bakery_entry (id),
	   password_hash text,
	   code_hash text,
	   changed_at timestamptz not null default now(),
	   check (password_hash is not null or code_hash is not null)
	 )`,
	`create table door_session (
	   id uuid primary key,
	   token_sha256 text not null unique check (token_sha256 ~ '^[0-9a-f]{64}$'),
	   kind text not null check (kind in ('desk', 'tablet', 'wall')),
	   person_id uuid references bakery_entry (id),
	   name text not null check (length(name) between 1 and 200),
	   opens_at text not null default '',
	   begun_at timestamptz not null default now(),
	   seen_at timestamptz not null,
	   ends_at timestamptz not null,
	   ended_at timestamptz,
	   check (kind <> 'desk' or person_id is not null),
	   check (kind <> 'wall' or person_id is null)
	 )`,
	`create index door_session_open on door_session (person_id) where ended_at is null`,
	`create table door_hand (
	   session_id uuid not null references door_session (id),
	   person_id uuid not null references bakery_entry (id),
	   until timestamptz not null,
	   primary key (session_id, person_id)
	 )`,
	`create table door_key (
	   key_sha256 text primary key check (key_sha256 ~ '^[0-9a-f]{64}$'),
	   kind text not null check (kind in ('password', 'tablet', 'wall')),
	   person_id uuid references bakery_entry (id),
	   name text not null default '',
	   opens_at text not null default '',
	   made_by uuid references bakery_entry (id),
	   ends_at timestamptz not null,
	   used_at timestamptz,
	   check ((kind = 'password') = (person_id is not null))
	 )`,
	`create table door_entry (
	   id bigint generated always as identity primary key,
	   occurred_at timestamptz not null default now(),
	   act text not null check (act in (
	     'signed-in', 'signed-out', 'password-set', 'code-set', 'key-made', 'session-ended', 'tablet-paired', 'hands-changed'
	   )),
	   person_id uuid references bakery_entry (id),
	   by_id uuid references bakery_entry (id),
	   about text not null default ''
	 )`,
	`create table door_secret (
	   id boolean primary key default true check (id),
	   calendar uuid not null default gen_random_uuid()
	 )`,
	`insert into door_secret default values`,
	// A screen whose session was ended learns of it at once.
	`create function announce_door() returns trigger language plpgsql as $$
	 begin
	   perform pg_notify('jovet', nextval('announcement') || ' doors');
	   return null;
	 end $$`,
	`create trigger door_session_announced after update of ended_at, person_id on door_session
	 for each row when (old.ended_at is distinct from new.ended_at or old.person_id is distinct from new.person_id)
	 execute function announce_door()`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
