-- == Columns with and without types, keys inside
CREATE TABLE lot (lot_no INTEGER PRIMARY KEY AUTOINCREMENT, label TEXT NOT NULL COLLATE NOCASE DEFAULT 'x', weight REAL CHECK (weight >= 0), anything, "some name" VARCHAR(20) UNIQUE);
-- == Keys over several columns and no rowid
CREATE TABLE IF NOT EXISTS slot (shelf INTEGER NOT NULL, place INTEGER NOT NULL, label TEXT, CONSTRAINT pk PRIMARY KEY (shelf, place) ON CONFLICT REPLACE, UNIQUE (label, place), CHECK (shelf > 0)) WITHOUT ROWID, STRICT;
-- == References
CREATE TABLE taxon (code TEXT PRIMARY KEY);
CREATE TABLE lot (id INTEGER PRIMARY KEY, taxon TEXT REFERENCES taxon ON DELETE CASCADE ON UPDATE SET NULL DEFERRABLE INITIALLY DEFERRED, up INTEGER, FOREIGN KEY (up) REFERENCES lot (id) MATCH SIMPLE ON DELETE SET DEFAULT);
-- == Columns are added, renamed and dropped
CREATE TABLE lot (id INTEGER, label TEXT);
CREATE INDEX by_label ON lot (label);
ALTER TABLE lot ADD COLUMN made TEXT DEFAULT (datetime('now'));
ALTER TABLE lot ADD weight REAL NOT NULL DEFAULT 0;
ALTER TABLE lot RENAME COLUMN label TO title;
ALTER TABLE lot DROP COLUMN weight;
ALTER TABLE lot RENAME TO lots;
-- == Indexes
CREATE TABLE lot (id INTEGER, label TEXT, made TEXT);
CREATE UNIQUE INDEX IF NOT EXISTS once ON lot (label COLLATE NOCASE DESC, id);
CREATE INDEX part ON lot (made) WHERE made IS NOT NULL AND id > 5;
CREATE INDEX lowered ON lot (lower(label), id + 1);
CREATE INDEX gone ON lot (id);
DROP INDEX gone;
DROP INDEX IF EXISTS never;
-- == Computed columns
CREATE TABLE lot (a INTEGER, b INTEGER GENERATED ALWAYS AS (a * 2) VIRTUAL, c TEXT AS (a || 'x') STORED);
-- == Names in every kind of quote
CREATE TABLE [lot one] ("a b" INTEGER, `c d` TEXT, 'e f' TEXT, [g h] REAL);
CREATE INDEX "x y" ON [lot one] ("a b");
-- == Made anew, as the manual says
CREATE TABLE lot (id INTEGER PRIMARY KEY, label TEXT);
PRAGMA foreign_keys=OFF;
BEGIN TRANSACTION;
CREATE TABLE new_lot (id INTEGER PRIMARY KEY, label TEXT NOT NULL, made TEXT);
INSERT INTO new_lot (id, label) SELECT id, label FROM lot;
DROP TABLE lot;
ALTER TABLE new_lot RENAME TO lot;
COMMIT;
-- == Tables that are only for a while
CREATE TEMP TABLE passing (id INTEGER);
CREATE TABLE stays (id INTEGER);
DROP TABLE IF EXISTS never;
-- == Types of every spelling
CREATE TABLE every (a INT, b BIGINT UNSIGNED, c VARCHAR(20), d DOUBLE PRECISION, e DECIMAL(9, 2), f BOOLEAN DEFAULT 0, g DATE DEFAULT CURRENT_DATE, h BLOB, i JSON, j NATIVE CHARACTER(70), k DATETIME DEFAULT CURRENT_TIMESTAMP, l NUMERIC DEFAULT -1.5, m TEXT DEFAULT 'it''s', n TEXT DEFAULT "double", o INTEGER DEFAULT (1 + 2), p);
-- == Constraints with names, in any order
CREATE TABLE lot (a INTEGER CONSTRAINT a_key PRIMARY KEY DESC, b TEXT CONSTRAINT b_once UNIQUE ON CONFLICT IGNORE CONSTRAINT b_long CHECK (length(b) > 2), CONSTRAINT both UNIQUE (a, b) CHECK (a > 0));
-- == Triggers, views and virtual tables among the tables
CREATE TABLE lot (id INTEGER PRIMARY KEY, label TEXT);
CREATE TRIGGER stamp AFTER UPDATE OF label ON lot WHEN NEW.label IS NULL BEGIN UPDATE lot SET label = 'x; y' WHERE id = NEW.id; SELECT 1; END;
CREATE VIEW labels AS SELECT label FROM lot;
DROP VIEW labels;
DROP TRIGGER stamp;
REINDEX lot;
ANALYZE;
VACUUM;
-- == Renamed with those that refer to it
CREATE TABLE taxon (code TEXT PRIMARY KEY, name TEXT);
CREATE TABLE lot (id INTEGER, taxon TEXT REFERENCES taxon (code), CHECK (id > 0));
ALTER TABLE taxon RENAME TO kind;
ALTER TABLE kind RENAME COLUMN code TO short;
ALTER TABLE lot RENAME COLUMN id TO number;
-- == Chains over years, and comments everywhere
CREATE /* why */ TABLE -- this
member ( -- that
  id INTEGER /* key */ PRIMARY KEY, name TEXT NOT NULL, /* a, b */ mail TEXT
);
ALTER TABLE member ADD COLUMN active INTEGER NOT NULL DEFAULT 1 CHECK (active IN (0, 1));
ALTER TABLE member RENAME TO members;
CREATE UNIQUE INDEX members_mail ON members (lower(mail)) WHERE active = 1;
CREATE TABLE held (id INTEGER PRIMARY KEY, member INTEGER NOT NULL CONSTRAINT owner REFERENCES members (id) ON DELETE CASCADE);
ALTER TABLE members RENAME COLUMN name TO full_name;
ALTER TABLE members ADD COLUMN made TEXT DEFAULT CURRENT_TIMESTAMP REFERENCES held (id);
