-- A check with a set of constants stays tied to the connection that used it first, and fails when that one is closed: the kinds of edits are a table instead.
create table edit_kind (
    kind  varchar(4)  primary key
);
comment on table edit_kind is 'how an edit came about: by itself, by taking one back, or by doing one again';
insert into edit_kind (kind) values ('EDIT'), ('UNDO'), ('REDO');

alter table journal add column kind_name varchar(4);
update journal set kind_name = kind;
alter table journal drop column kind;
alter table journal alter column kind_name rename to kind;
alter table journal alter column kind set not null;
alter table journal add constraint fk_journal_kind foreign key (kind) references edit_kind (kind);
