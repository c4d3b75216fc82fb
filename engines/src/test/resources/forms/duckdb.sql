-- == Types and their aliases
CREATE TABLE kinds (a TINYINT, b INT1, c SMALLINT, d SHORT, e INT, f INTEGER, g SIGNED, h BIGINT, i LONG, j HUGEINT, k INT128, l UTINYINT, m USMALLINT, n UINTEGER, o UBIGINT, p DECIMAL, q NUMERIC(5), r DECIMAL(8, 2), s REAL, t FLOAT, u FLOAT4, v DOUBLE, w FLOAT8, x BOOLEAN, y LOGICAL, z BOOL);
CREATE TABLE more_kinds (a VARCHAR, b VARCHAR(20), c CHAR(3), d TEXT, e STRING, f BLOB, g BYTEA, h VARBINARY, i DATE, j TIME, k TIMESTAMP, l DATETIME, m TIMESTAMPTZ, n TIMESTAMP WITH TIME ZONE, o TIMESTAMP_S, p TIMESTAMP_MS, q TIMESTAMP_NS, r INTERVAL, s UUID, t JSON, u BIT, v TIME WITH TIME ZONE, w HUGEINT);
-- == Lists, structures, maps and unions
CREATE TABLE nested (id INTEGER PRIMARY KEY, many INTEGER[], names VARCHAR[], place STRUCT(x DOUBLE, y DOUBLE), tags MAP(VARCHAR, INTEGER), either UNION(num INTEGER, word VARCHAR), grid INTEGER[][]);
-- == Enumerations in the column
CREATE TABLE lot (id INTEGER PRIMARY KEY, kind ENUM('dry', 'it''s cold') DEFAULT 'dry' NOT NULL);
-- == Keys, checks and references
CREATE TABLE taxon (code VARCHAR PRIMARY KEY, rank INTEGER, UNIQUE (rank, code), CHECK (rank > 0));
CREATE TABLE lot (id INTEGER PRIMARY KEY, taxon VARCHAR REFERENCES taxon (code), r INTEGER, CONSTRAINT kind FOREIGN KEY (r, taxon) REFERENCES taxon (rank, code), CONSTRAINT light CHECK (r BETWEEN 1 AND 9), UNIQUE (r));
-- == A table that refers to itself
CREATE TABLE taxon (code VARCHAR PRIMARY KEY, "parent code" VARCHAR REFERENCES taxon (code), height INTEGER CHECK (height > 1));
-- == Computed columns
CREATE TABLE lot (weight DECIMAL(9,2), twice DECIMAL(12,2) GENERATED ALWAYS AS (weight * 2) VIRTUAL, label VARCHAR, small VARCHAR AS (lower(label)));
-- == Defaults
CREATE TABLE lot (a INTEGER DEFAULT 7, b VARCHAR DEFAULT 'it''s', c BOOLEAN DEFAULT true, d DATE DEFAULT DATE '2026-01-31', e TIMESTAMP DEFAULT current_timestamp, f TIMESTAMPTZ DEFAULT now(), g UUID DEFAULT gen_random_uuid(), h DECIMAL(5,2) DEFAULT 1.50, i INTEGER DEFAULT -5, j VARCHAR DEFAULT upper('a') || 'x', k VARCHAR DEFAULT NULL, l INTEGER DEFAULT (1 + 2));
-- == Sequences
CREATE SEQUENCE lot_no START WITH 10 INCREMENT BY 5;
CREATE SEQUENCE IF NOT EXISTS shelf_no START 3;
CREATE TABLE lot (id INTEGER DEFAULT nextval('lot_no') PRIMARY KEY, shelf BIGINT DEFAULT nextval('shelf_no'));
-- == Columns change
CREATE TABLE lot (id INTEGER, label VARCHAR NOT NULL, gone INTEGER, weight INTEGER);
ALTER TABLE lot ADD COLUMN made DATE DEFAULT current_date;
ALTER TABLE lot ADD COLUMN IF NOT EXISTS more INTEGER;
ALTER TABLE lot RENAME COLUMN label TO title;
ALTER TABLE lot RENAME weight TO grams;
ALTER TABLE lot ALTER COLUMN title DROP NOT NULL;
ALTER TABLE lot ALTER grams SET NOT NULL;
ALTER TABLE lot ALTER COLUMN grams SET DATA TYPE DECIMAL(8,2);
ALTER TABLE lot ALTER id TYPE BIGINT;
ALTER TABLE lot ALTER COLUMN id SET DEFAULT 7;
ALTER TABLE lot ALTER COLUMN made DROP DEFAULT;
ALTER TABLE lot DROP COLUMN gone;
ALTER TABLE lot DROP COLUMN IF EXISTS never;
ALTER TABLE lot RENAME TO lots;
-- == A key comes
CREATE TABLE lot (id INTEGER, label VARCHAR);
ALTER TABLE lot ADD PRIMARY KEY (id);
-- == Indexes
CREATE TABLE lot (id INTEGER PRIMARY KEY, label VARCHAR, weight INTEGER);
CREATE INDEX by_label ON lot (label, weight);
CREATE UNIQUE INDEX IF NOT EXISTS by_small ON lot (lower(label), (weight + 1));
CREATE INDEX gone ON lot USING ART (weight);
DROP INDEX gone;
-- == Comments
CREATE TABLE lot (id INTEGER PRIMARY KEY, label VARCHAR);
COMMENT ON TABLE lot IS 'it''s a lot';
COMMENT ON COLUMN lot.label IS 'what is written on it';
-- == Tables come and go
CREATE TABLE lot (id INTEGER PRIMARY KEY, label VARCHAR NOT NULL DEFAULT 'x');
CREATE TABLE lot_copy AS SELECT * FROM lot;
CREATE OR REPLACE TABLE shelf (id INTEGER);
CREATE OR REPLACE TABLE shelf (id BIGINT PRIMARY KEY);
CREATE TABLE IF NOT EXISTS shelf (other INTEGER);
CREATE TEMP TABLE passing (id INTEGER);
DROP TABLE IF EXISTS never;
-- == Names in quotes and of any letters
CREATE TABLE "the ""best"" lots" ("Sel ect" INTEGER PRIMARY KEY, "größe" INTEGER CHECK ("größe" > 0));
CREATE INDEX "an index" ON "the ""best"" lots" ("größe");
-- == What is none of the tables
CREATE TABLE lot (id INTEGER PRIMARY KEY);
BEGIN TRANSACTION;
INSERT INTO lot VALUES (1), (2);
COMMIT;
PRAGMA enable_checkpoint_on_shutdown;
SET threads = 1;
CHECKPOINT;
CREATE MACRO plus(a, b) AS a + b;
CREATE OR REPLACE MACRO rows_of(n) AS TABLE SELECT * FROM lot WHERE id > n;
ATTACH ':memory:' AS other;
DETACH other;
ANALYZE;
DELETE FROM lot;
UPDATE lot SET id = 3;
