-- A key of a person.
insert into passkey (id, person_id, label, attestation, signatures, backup_eligible, backed_up, transports, made_at)
values ('key-:plan', 'ada-:plan', 'laptop', X'4142', 0, false, false, 'internal', timestamp with time zone '2026-12-01 09:00:00+00:00');
