-- base
create sequence parcel_no start with 5

create sequence shelf_no start with 10 increment by 10

create table taxon (taxon_code varchar primary key, name varchar not null, rank enum('family', 'genus', 'species') default 'species' not null,
  parent_code varchar references taxon (taxon_code))

create table site (site_no integer primary key, name varchar not null unique, height integer check (height > -500), opened date, remark varchar)

create table keeper (keeper_no integer, name varchar not null, since date default date '2026-01-31', mail varchar, grade smallint default 3,
  active boolean default true not null, wage decimal(8,2), seen timestamp default current_timestamp)

create table shelf (shelf_no integer default nextval('shelf_no') primary key, room varchar, height integer check (height between 1 and 9), depth double)

create table accession (accession_no integer primary key, taxon_code varchar not null references taxon (taxon_code),
  site_no integer references site (site_no), weight decimal(8,2) check (weight >= 0), taken date, sealed boolean default false not null,
  grams integer generated always as (cast(weight * 1000 as integer)))

create table chain (code varchar unique, up varchar references chain (code), label varchar)

create index ix_accession_taken on accession (taken)

create index ix_site_opened on site (opened, height)

create view heavy as select accession_no, weight from accession where weight > 100

comment on table site is 'A place'

comment on column site.height is 'Above the sea, in metres'

insert into taxon (taxon_code, name) values ('OAK', 'Sheep oak'), ('RYE', 'Low rye')

insert into taxon (taxon_code, name, parent_code) values ('OAK2', 'Sheep oak of the hills', 'OAK')

insert into taxon (taxon_code, name, parent_code) values ('OAK3', 'Late sheep oak', 'OAK2')

insert into site (site_no, name, height) values (1, 'Ostra', 12), (2, 'Fenmoor', -3)

insert into keeper (keeper_no, name) values (1, 'Ilka'), (2, 'Bren')

insert into shelf (room, height) values ('A', 1), ('B', 2)

insert into chain values ('A', null, 'first'), (null, null, 'alone'), (null, null, 'alone too')

insert into chain values ('B', 'A', 'second'), (null, 'A', 'below the first')

insert into accession (accession_no, taxon_code, site_no, weight, taken) values (1, 'OAK', 1, 20, '2026-01-31'), (2, 'RYE', 2, 130, '2026-02-01')

-- a table gets another name
alter table keeper rename to guard

-- a column gets another name
alter table keeper rename column since to since_when

-- a type gets wider
alter table keeper alter column grade set data type integer

-- a type gets narrower
alter table keeper alter column wage set data type decimal(6,2)

-- a type becomes another
alter table keeper alter column seen set data type date

-- a value is no longer required
alter table keeper alter column name drop not null

-- a value is required
alter table keeper alter column grade set not null

-- a default goes
alter table keeper alter column since drop default

-- a default changes
alter table keeper alter column grade set default 4

-- a default comes
alter table keeper alter column mail set default 'none'

-- a default becomes false
alter table keeper alter column active set default false

-- a column comes
alter table keeper add column room varchar

-- a column with a default comes
alter table keeper add column room integer default 7

-- a column goes
alter table keeper drop column mail

-- a column comes to a table that others refer to
alter table taxon add column author varchar

-- a key comes with a rule against null, told twice
alter table keeper add primary key (keeper_no)

-- an index comes
create index ix_keeper_name on keeper (name)

-- a unique index comes
create unique index ux_keeper_mail on keeper (mail)

-- an index over an expression comes
create index ix_keeper_lower on keeper (lower(name))

-- an index goes
drop index ix_site_opened

-- a table comes
create table jar (jar_no integer primary key, accession_no integer references accession (accession_no), size enum('small', 'large') not null)

-- a table goes
drop table keeper

-- a table that refers to others goes: its view goes with it, told twice
drop view heavy; drop table accession

-- a view comes
create view low as select site_no, name from site where height < 0

-- a view changes
create or replace view heavy as select accession_no, weight from accession where weight > 200

-- a view goes
drop view heavy

-- a comment of a table changes
comment on table site is 'A place where seeds were taken'

-- a comment of a column goes
comment on column site.height is null

-- a comment of a column comes
comment on column keeper.grade is 'From 1 to 9'

-- a sequence comes
create sequence jar_no start with 100

-- a sequence goes
drop sequence parcel_no

-- a check comes
drop table shelf; create table shelf (shelf_no integer default nextval('shelf_no') primary key, room varchar check (length(room) < 9), height integer check (height between 1 and 9), depth double); insert into shelf (room, height) values ('A', 1), ('B', 2)

-- a check goes
drop table shelf; create table shelf (shelf_no integer default nextval('shelf_no') primary key, room varchar, height integer, depth double); insert into shelf (room, height) values ('A', 1), ('B', 2)

-- a check without a name changes, told twice
drop table shelf; create table shelf (shelf_no integer default nextval('shelf_no') primary key, room varchar, height integer check (height between 1 and 12), depth double); insert into shelf (room, height) values ('A', 1), ('B', 2)

-- a reference comes
drop table shelf; create table shelf (shelf_no integer default nextval('shelf_no') primary key, room varchar, height integer check (height between 1 and 9) references site (site_no), depth double); insert into shelf (room, height) values ('A', 1), ('B', 2)

-- a unique key comes
drop table shelf; create table shelf (shelf_no integer default nextval('shelf_no') primary key, room varchar unique, height integer check (height between 1 and 9), depth double); insert into shelf (room, height) values ('A', 1), ('B', 2)

-- a computed column comes
drop table shelf; create table shelf (shelf_no integer default nextval('shelf_no') primary key, room varchar, height integer check (height between 1 and 9), depth double, twice integer generated always as (height * 2)); insert into shelf (room, height) values ('A', 1), ('B', 2)

-- rows that refer to each other are kept
drop table chain; create table chain (code varchar unique, up varchar references chain (code), label varchar not null); insert into chain values ('A', null, 'first'), (null, null, 'alone'), (null, null, 'alone too'); insert into chain values ('B', 'A', 'second'), (null, 'A', 'below the first')
