create table picture (
    content   varchar(40)          primary key,
    type      varchar(40)          not null,
    bytes     binary large object  not null
);
comment on table picture is 'the bytes of pictures on sheets, each once under a key made of them; they never change';
