-- States of a design that somebody gave a name.
create table version (
    design_id  varchar(24) not null references design (id),
    name       varchar(120) not null,
    revision   bigint not null,
    named_at   timestamp with time zone not null,
    constraint pk_version primary key (design_id, name)
);
