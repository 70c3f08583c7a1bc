-- Every step from one version of a plan to the next is known: an edit by its own version in the log, what was taken back
-- or brought back by this.
create table replay (
  plan_id varchar(64) not null references plan (id),
  version bigint not null,
  seq bigint not null,
  back boolean not null,
  primary key (plan_id, version)
);
create index change_log_version on change_log (plan_id, version);
