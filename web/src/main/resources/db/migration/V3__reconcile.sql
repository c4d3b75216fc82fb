-- What was decided about the differences between a design and another side, and what both last agreed on.
create table reconcile_note (
    design_id  varchar(24) not null references design (id),
    side       varchar(300) not null,
    kind       varchar(20) not null,
    about      varchar(1000000) not null,
    answer     clob not null,
    noted_at   timestamp with time zone not null,
    constraint pk_reconcile_note primary key (design_id, side, kind, about)
);
