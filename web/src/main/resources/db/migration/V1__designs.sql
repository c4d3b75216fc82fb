create table design (
    id             varchar(24)               primary key,
    name           varchar(120)              not null,
    target         varchar(20)               not null,
    revision       bigint                    not null,
    entities       integer                   not null,
    relationships  integer                   not null,
    created_at     timestamp with time zone  not null,
    changed_at     timestamp with time zone  not null,
    deleted_at     timestamp with time zone
);
comment on table design is 'one row a design; what it holds is the last snapshot and the journal after it';

create table journal (
    design_id    varchar(24)               not null references design,
    revision     bigint                    not null,
    kind         varchar(4)                not null check (kind in ('EDIT', 'UNDO', 'REDO')),
    change_json  character large object    not null,
    inverse_json character large object    not null,
    author       varchar(120)              not null,
    made_at      timestamp with time zone  not null,
    primary key (design_id, revision)
);
comment on table journal is 'every acknowledged edit with the change that takes it back; nothing is ever deleted';

create table snapshot (
    design_id    varchar(24)               not null references design,
    revision     bigint                    not null,
    design_json  character large object    not null,
    primary key (design_id, revision)
);
comment on table snapshot is 'a whole design at a revision, so that opening it need not replay the journal from the start';
