-- base
create table taxon (taxon_code varchar(12) primary key, name varchar(80) not null, rank text not null default 'species', parent_code varchar(12),
  constraint fk_taxon_parent foreign key (parent_code) references taxon (taxon_code))

create table site (site_no integer primary key autoincrement, name varchar(60) not null, height integer, opened date default '2026-01-01', remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -500))

create table accession (accession_no integer primary key, taxon_code varchar(12) not null, site_no integer, weight decimal(8,2), taken date,
  sealed boolean not null default false,
  constraint fk_accession_taxon foreign key (taxon_code) references taxon (taxon_code),
  constraint fk_accession_site foreign key (site_no) references site (site_no) on delete set null)

create index ix_accession_taken on accession (taken)

create index ix_accession_open on accession (taken) where not sealed

create index ix_site_lower on site (lower(name))

create view heavy as select accession_no, weight from accession where weight > 100

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

insert into taxon (taxon_code, name) values ('OAK', 'Sheep oak'), ('RYE', 'Low rye')

insert into site (name, height) values ('Ostra', 12), ('Fenmoor', -3)

insert into accession (accession_no, taxon_code, site_no, weight, taken) values (1, 'OAK', 1, 20, '2026-01-31'), (2, 'RYE', 2, 130, '2026-02-01')

-- a table gets another name
alter table taxon rename to kind_of

-- a column gets another name
alter table site rename column opened to opened_on

-- a type gets wider
create table copied as select * from site

drop table site

create table site (site_no integer primary key autoincrement, name varchar(90) not null, height integer, opened date default '2026-01-01', remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -500))

insert into site select * from copied

drop table copied

create index ix_site_lower on site (lower(name))

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

-- a type becomes another
create table copied as select * from site

drop table site

create table site (site_no integer primary key autoincrement, name varchar(60) not null, height real, opened date default '2026-01-01', remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -500))

insert into site select * from copied

drop table copied

create index ix_site_lower on site (lower(name))

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

-- a value is no longer required
create table copied as select * from site

drop table site

create table site (site_no integer primary key autoincrement, name varchar(60), height integer, opened date default '2026-01-01', remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -500))

insert into site select * from copied

drop table copied

create index ix_site_lower on site (lower(name))

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

-- a value is required
drop view heavy

drop index ix_accession_taken

drop index ix_accession_open

create table copied as select * from accession

drop table accession

create table accession (accession_no integer primary key, taxon_code varchar(12) not null, site_no integer, weight decimal(8,2), taken date not null,
  sealed boolean not null default false,
  constraint fk_accession_taxon foreign key (taxon_code) references taxon (taxon_code),
  constraint fk_accession_site foreign key (site_no) references site (site_no) on delete set null)

insert into accession select * from copied

drop table copied

create index ix_accession_taken on accession (taken)

create index ix_accession_open on accession (taken) where not sealed

create view heavy as select accession_no, weight from accession where weight > 100

-- a default goes
create table copied as select * from site

drop table site

create table site (site_no integer primary key autoincrement, name varchar(60) not null, height integer, opened date, remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -500))

insert into site select * from copied

drop table copied

create index ix_site_lower on site (lower(name))

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

-- a default changes
create table copied as select * from site

drop table site

create table site (site_no integer primary key autoincrement, name varchar(60) not null, height integer, opened date default '2026-02-01', remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -500))

insert into site select * from copied

drop table copied

create index ix_site_lower on site (lower(name))

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

-- a key no longer counts
create table copied as select * from site

drop table site

create table site (site_no integer primary key, name varchar(60) not null, height integer, opened date default '2026-01-01', remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -500))

insert into site select * from copied

drop table copied

create index ix_site_lower on site (lower(name))

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

-- a check changes
create table copied as select * from site

drop table site

create table site (site_no integer primary key autoincrement, name varchar(60) not null, height integer, opened date default '2026-01-01', remark text,
  constraint uq_site_name unique (name), constraint ck_site_height check (height > -600))

insert into site select * from copied

drop table copied

create index ix_site_lower on site (lower(name))

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

-- a unique key goes
create table copied as select * from site

drop table site

create table site (site_no integer primary key autoincrement, name varchar(60) not null, height integer, opened date default '2026-01-01', remark text,
  constraint ck_site_height check (height > -500))

insert into site select * from copied

drop table copied

create index ix_site_lower on site (lower(name))

create trigger site_stamp after insert on site begin update site set remark = 'new' where site_no = new.site_no; end

-- a unique key comes
drop view heavy

drop index ix_accession_taken

drop index ix_accession_open

create table copied as select * from accession

drop table accession

create table accession (accession_no integer primary key, taxon_code varchar(12) not null, site_no integer, weight decimal(8,2), taken date,
  sealed boolean not null default false,
  constraint fk_accession_taxon foreign key (taxon_code) references taxon (taxon_code),
  constraint uq_accession_taken unique (taken),
  constraint fk_accession_site foreign key (site_no) references site (site_no) on delete set null)

insert into accession select * from copied

drop table copied

create index ix_accession_taken on accession (taken)

create index ix_accession_open on accession (taken) where not sealed

create view heavy as select accession_no, weight from accession where weight > 100

-- an index goes
drop index ix_accession_taken

-- an index falls
drop index ix_accession_taken

create index ix_accession_taken on accession (taken desc)

-- an index covers other rows
drop index ix_accession_open

create index ix_accession_open on accession (taken) where sealed

-- an index is on another expression
drop index ix_site_lower

create index ix_site_lower on site (upper(name))

-- a reference goes
drop view heavy

drop index ix_accession_taken

drop index ix_accession_open

create table copied as select * from accession

drop table accession

create table accession (accession_no integer primary key, taxon_code varchar(12) not null, site_no integer, weight decimal(8,2), taken date,
  sealed boolean not null default false,
  constraint fk_accession_taxon foreign key (taxon_code) references taxon (taxon_code))

insert into accession select * from copied

drop table copied

create index ix_accession_taken on accession (taken)

create index ix_accession_open on accession (taken) where not sealed

create view heavy as select accession_no, weight from accession where weight > 100

-- a reference acts otherwise
drop view heavy

drop index ix_accession_taken

drop index ix_accession_open

create table copied as select * from accession

drop table accession

create table accession (accession_no integer primary key, taxon_code varchar(12) not null, site_no integer, weight decimal(8,2), taken date,
  sealed boolean not null default false,
  constraint fk_accession_taxon foreign key (taxon_code) references taxon (taxon_code),
  constraint fk_accession_site foreign key (site_no) references site (site_no) on delete cascade)

insert into accession select * from copied

drop table copied

create index ix_accession_taken on accession (taken)

create index ix_accession_open on accession (taken) where not sealed

create view heavy as select accession_no, weight from accession where weight > 100

-- a table comes
create table shelf (shelf_no integer primary key, name text)

-- a column comes
alter table site add column aspect varchar(10)

-- a view changes
drop view heavy

create view heavy as select accession_no, weight from accession where weight > 110

-- a trigger changes
drop trigger site_stamp

create trigger site_stamp after insert on site begin update site set remark = 'old' where site_no = new.site_no; end

-- a column goes
alter table taxon drop column rank

-- a column moves to a new table, told twice
create table taxon_rank (taxon_code varchar(12) primary key, rank text not null,
  constraint fk_taxon_rank_taxon foreign key (taxon_code) references taxon (taxon_code))

insert into taxon_rank select taxon_code, rank from taxon

alter table taxon drop column rank
