-- base
create table taxon (taxon_code varchar(12) primary key, name varchar(80) not null, `rank` enum('family', 'genus', 'species') not null default 'species', parent_code varchar(12),
  constraint fk_taxon_parent foreign key (parent_code) references taxon (taxon_code))

create table site (site_no integer auto_increment primary key, name varchar(60) not null, height integer, opened date default '2026-01-01', remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -500)) comment = 'A place'

create table accession (accession_no integer primary key, taxon_code varchar(12) not null, site_no integer, weight decimal(8,2), taken date,
  sealed boolean not null default false,
  constraint fk_accession_taxon foreign key (taxon_code) references taxon (taxon_code),
  constraint fk_accession_site foreign key (site_no) references site (site_no) on delete set null)

create index ix_accession_taken on accession (taken)

create index ix_site_remark on site (remark(20))

create view heavy as select accession_no, weight from accession where weight > 100

create function weigh(w decimal(8,2)) returns decimal(8,2) deterministic return w * 2

create trigger site_stamp before insert on site for each row set new.remark = 'new'

create sequence parcel_no start with 5

insert into taxon (taxon_code, name) values ('OAK', 'Sheep oak'), ('RYE', 'Low rye')

insert into site (name, height) values ('Ostra', 12), ('Fenmoor', -3)

insert into accession (accession_no, taxon_code, site_no, weight, taken) values (1, 'OAK', 1, 20, '2026-01-31'), (2, 'RYE', 2, 130, '2026-02-01')

-- a table gets another name
rename table site to place

-- a column gets another name
alter table site rename column opened to opened_on

-- a type gets wider
alter table taxon modify name varchar(100) not null

-- a type gets narrower
alter table taxon modify name varchar(70) not null

-- a type becomes another
alter table accession modify taken datetime

-- a value is no longer required
alter table site modify name varchar(60)

-- a value is required
alter table accession modify taken date not null

-- a default goes
alter table site alter opened drop default

-- a default changes
alter table taxon alter `rank` set default 'genus'

-- a column no longer numbers itself
alter table taxon add column serial_no integer

-- a check changes
alter table site drop constraint ck_site_height

alter table site add constraint ck_site_height check (height > -600)

-- a unique key goes
alter table site drop index uq_site_name

-- a unique key comes
alter table taxon add constraint uq_taxon_name unique (name)

-- an index goes
drop index ix_accession_taken on accession

-- an index looks at more
drop index ix_site_remark on site

create index ix_site_remark on site (remark(30))

-- an index falls
drop index ix_accession_taken on accession

create index ix_accession_taken on accession (taken desc)

-- a reference goes
alter table accession drop foreign key fk_accession_site

alter table accession drop index fk_accession_site

-- a reference acts otherwise
alter table accession drop foreign key fk_accession_site

alter table accession add constraint fk_accession_site foreign key (site_no) references site (site_no) on delete cascade

-- an enumeration gets a value
alter table taxon modify `rank` enum('family', 'genus', 'species', 'variety') not null default 'species'

-- a table comes
create table shelf (shelf_no integer primary key, name text)

-- a column goes
alter table accession drop column sealed

-- a view changes
create or replace view heavy as select accession_no, weight from accession where weight > 110

-- a routine changes
drop function weigh

create function weigh(w decimal(8,2)) returns decimal(8,2) deterministic return w * 3

-- a trigger changes
drop trigger site_stamp

create trigger site_stamp before update on site for each row set new.remark = 'new'

-- a comment changes
alter table site comment = 'Where it was taken'

-- a sequence counts otherwise
alter sequence parcel_no increment by 2

-- a column moves to a new table, told twice
create table taxon_rank (taxon_code varchar(12) primary key, `rank` enum('family', 'genus', 'species') not null,
  constraint fk_taxon_rank_taxon foreign key (taxon_code) references taxon (taxon_code))

insert into taxon_rank select taxon_code, `rank` from taxon

alter table taxon drop column `rank`
