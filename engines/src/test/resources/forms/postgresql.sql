-- == CREATE TABLE: inheritance, columns merged
CREATE TABLE record (record_no integer NOT NULL, made date DEFAULT CURRENT_DATE);
CREATE TABLE counted (amount integer, made date);
CREATE TABLE lot (label varchar(20), made date NOT NULL) INHERITS (record, counted);
-- == ALTER TABLE: what a parent gets, its heirs get
CREATE TABLE record (record_no integer);
CREATE TABLE lot (label varchar(20)) INHERITS (record);
CREATE TABLE sublot (part integer) INHERITS (lot);
ALTER TABLE record ADD COLUMN remark text DEFAULT 'none';
ALTER TABLE record ALTER COLUMN remark SET NOT NULL;
ALTER TABLE record RENAME COLUMN record_no TO number;
ALTER TABLE record DROP COLUMN remark;
-- == ALTER TABLE: INHERIT and NO INHERIT
CREATE TABLE record (record_no integer NOT NULL);
CREATE TABLE lot (record_no integer NOT NULL, label text);
ALTER TABLE lot INHERIT record;
ALTER TABLE record ADD COLUMN made date;
ALTER TABLE lot NO INHERIT record;
ALTER TABLE record ADD COLUMN later date;
-- == ALTER TABLE ONLY leaves heirs alone
CREATE TABLE record (record_no integer);
CREATE TABLE lot (label text) INHERITS (record);
ALTER TABLE ONLY record ALTER COLUMN record_no SET DEFAULT 7;
ALTER TABLE record ALTER record_no SET NOT NULL;
ALTER TABLE record ALTER COLUMN record_no DROP DEFAULT;
-- == Partitions by range, list and hash
CREATE TABLE reading (taken date NOT NULL, vault integer NOT NULL, warmth numeric(5,2)) PARTITION BY RANGE (taken);
CREATE TABLE reading_2025 PARTITION OF reading FOR VALUES FROM ('2025-01-01') TO ('2026-01-01');
CREATE TABLE reading_rest PARTITION OF reading DEFAULT;
CREATE TABLE holder (code text NOT NULL, kind text) PARTITION BY LIST (kind);
CREATE TABLE holder_a PARTITION OF holder (code DEFAULT 'x', CONSTRAINT short CHECK (length(code) < 9)) FOR VALUES IN ('a', 'b');
CREATE TABLE spread (id bigint NOT NULL) PARTITION BY HASH (id);
CREATE TABLE spread_0 PARTITION OF spread FOR VALUES WITH (MODULUS 2, REMAINDER 0);
-- == Partitions are attached and detached
CREATE TABLE vault (vault_no integer PRIMARY KEY);
CREATE TABLE reading (taken date NOT NULL, vault integer NOT NULL REFERENCES vault, PRIMARY KEY (taken, vault)) PARTITION BY RANGE (taken);
CREATE INDEX by_vault ON reading (vault);
CREATE TABLE reading_2025 (taken date NOT NULL, vault integer NOT NULL);
ALTER TABLE reading ATTACH PARTITION reading_2025 FOR VALUES FROM ('2025-01-01') TO ('2026-01-01');
CREATE TABLE reading_2024 PARTITION OF reading FOR VALUES FROM ('2024-01-01') TO ('2025-01-01');
ALTER TABLE reading DETACH PARTITION reading_2024;
ALTER TABLE reading ADD COLUMN warmth numeric(4,1);
-- == CREATE TABLE LIKE with what it takes along
CREATE TABLE lot (lot_no integer PRIMARY KEY, label varchar(20) DEFAULT 'none' CHECK (label <> ''), made date GENERATED ALWAYS AS ('2026-01-01'::date) STORED, UNIQUE (label, lot_no));
CREATE INDEX lot_label ON lot (lower(label));
COMMENT ON COLUMN lot.label IS 'what is written on it';
CREATE TABLE bare (LIKE lot);
CREATE TABLE whole (LIKE lot INCLUDING ALL, more integer);
CREATE TABLE partly (extra text, LIKE lot INCLUDING DEFAULTS INCLUDING COMMENTS);
CREATE TABLE keyed (LIKE lot INCLUDING INDEXES EXCLUDING DEFAULTS);
-- == Tables of a type
CREATE TYPE place AS (shelf integer, slot varchar(9));
CREATE TABLE stored OF place (shelf WITH OPTIONS NOT NULL, PRIMARY KEY (slot), CHECK (shelf > 0));
-- == Constraints are added, checked later, renamed and dropped
CREATE TABLE taxon (code varchar(9), parent varchar(9), rank text);
ALTER TABLE taxon ADD PRIMARY KEY (code), ADD CONSTRAINT above FOREIGN KEY (parent) REFERENCES taxon ON DELETE SET NULL ON UPDATE CASCADE DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE taxon ADD CONSTRAINT ranked CHECK (rank IN ('family', 'genus', 'species')) NOT VALID;
ALTER TABLE taxon VALIDATE CONSTRAINT ranked;
ALTER TABLE taxon RENAME CONSTRAINT ranked TO known_rank;
ALTER TABLE taxon ADD UNIQUE (rank, code);
ALTER TABLE taxon ADD CONSTRAINT once UNIQUE NULLS NOT DISTINCT (parent, rank);
ALTER TABLE taxon DROP CONSTRAINT once, DROP CONSTRAINT IF EXISTS never_there;
ALTER TABLE taxon ALTER CONSTRAINT above NOT DEFERRABLE;
-- == Dropping a key takes the references to it along
CREATE TABLE taxon (code varchar(9) PRIMARY KEY);
CREATE TABLE lot (lot_no integer, taxon varchar(9) REFERENCES taxon);
ALTER TABLE taxon DROP CONSTRAINT taxon_pkey CASCADE;
-- == Dropping a table takes the references to it along
CREATE TABLE taxon (code varchar(9) PRIMARY KEY);
CREATE TABLE lot (lot_no integer, taxon varchar(9) REFERENCES taxon);
DROP TABLE IF EXISTS nothing, taxon CASCADE;
-- == Keys made of indexes that are there
CREATE TABLE lot (lot_no integer NOT NULL, label text NOT NULL);
CREATE UNIQUE INDEX lot_numbers ON lot (lot_no);
CREATE UNIQUE INDEX lot_labels ON lot (label);
ALTER TABLE lot ADD CONSTRAINT lot_key PRIMARY KEY USING INDEX lot_numbers;
ALTER TABLE lot ADD CONSTRAINT lot_once UNIQUE USING INDEX lot_labels DEFERRABLE;
-- == Exclusion
CREATE TABLE visit (room integer, during daterange, EXCLUDE USING gist (during WITH &&));
ALTER TABLE visit ADD CONSTRAINT apart EXCLUDE USING btree (room WITH =) WHERE (room > 0);
-- == Columns change their type, default, need and numbering
CREATE TABLE lot (lot_no integer, label varchar(9) NOT NULL, weight text, span interval);
ALTER TABLE lot ALTER COLUMN label TYPE varchar(40), ALTER label DROP NOT NULL, ALTER COLUMN label SET DEFAULT 'new';
ALTER TABLE lot ALTER COLUMN weight SET DATA TYPE numeric(9,2) USING weight::numeric;
ALTER TABLE lot ALTER COLUMN lot_no SET NOT NULL, ALTER COLUMN lot_no ADD GENERATED BY DEFAULT AS IDENTITY (START WITH 10 INCREMENT BY 5);
ALTER TABLE lot ALTER COLUMN label SET STATISTICS 100, ALTER COLUMN label SET STORAGE EXTERNAL;
ALTER TABLE lot ALTER COLUMN label SET (n_distinct = 5);
-- == Numbering is taken away again
CREATE TABLE lot (lot_no integer GENERATED ALWAYS AS IDENTITY, twice integer GENERATED ALWAYS AS (2 * 21) STORED);
ALTER TABLE lot ALTER COLUMN lot_no DROP IDENTITY IF EXISTS;
ALTER TABLE lot ALTER COLUMN twice DROP EXPRESSION IF EXISTS;
-- == Columns come and go only if they are not there, or are
CREATE TABLE lot (lot_no serial PRIMARY KEY);
ALTER TABLE IF EXISTS lot ADD COLUMN IF NOT EXISTS label text, ADD COLUMN IF NOT EXISTS lot_no integer;
ALTER TABLE lot DROP COLUMN IF EXISTS nothing, DROP COLUMN IF EXISTS label RESTRICT;
ALTER TABLE IF EXISTS nothing ADD COLUMN x integer;
-- == Sequences that columns count with
CREATE SEQUENCE counting START WITH 100 INCREMENT BY 10 NO MINVALUE NO MAXVALUE CACHE 1;
CREATE TABLE lot (lot_no integer DEFAULT nextval('counting') NOT NULL, other bigserial);
ALTER SEQUENCE counting OWNED BY lot.lot_no;
CREATE SEQUENCE IF NOT EXISTS free AS smallint MAXVALUE 99 CYCLE;
ALTER SEQUENCE free RENAME TO freed;
CREATE SEQUENCE gone;
DROP SEQUENCE IF EXISTS gone, never_there;
-- == Owned sequences of dumps, after the table
CREATE TABLE lot (lot_no integer NOT NULL);
CREATE SEQUENCE lot_lot_no_seq AS integer START WITH 1 INCREMENT BY 1;
ALTER SEQUENCE lot_lot_no_seq OWNED BY lot.lot_no;
ALTER TABLE ONLY lot ALTER COLUMN lot_no SET DEFAULT nextval('lot_lot_no_seq'::regclass);
-- == Enumerations grow and are renamed
CREATE TYPE rank AS ENUM ('family', 'species');
ALTER TYPE rank ADD VALUE 'genus' BEFORE 'species';
ALTER TYPE rank ADD VALUE IF NOT EXISTS 'form' AFTER 'species';
ALTER TYPE rank RENAME VALUE 'form' TO 'forma';
ALTER TYPE rank RENAME TO taxon_rank;
CREATE TABLE taxon (code text, rank taxon_rank DEFAULT 'genus'::taxon_rank);
-- == Domains
CREATE DOMAIN weight AS numeric(9,2) DEFAULT 0 NOT NULL CONSTRAINT heavy CHECK (VALUE >= 0);
CREATE DOMAIN short_text varchar(9) COLLATE "C" CHECK (VALUE <> '');
ALTER DOMAIN weight DROP DEFAULT;
ALTER DOMAIN weight RENAME TO mass;
CREATE TABLE lot (lot_no integer, weight mass, label short_text);
-- == Structured types
CREATE TYPE place AS (shelf integer, slot varchar(9));
ALTER TYPE place ADD ATTRIBUTE room text;
CREATE TABLE stored (item integer, at place);
-- == Indexes of every kind
CREATE TABLE lot (lot_no integer, label text, tags text[], doc jsonb, made date);
CREATE INDEX ON lot (label);
CREATE INDEX ON lot (label, made DESC NULLS LAST);
CREATE UNIQUE INDEX CONCURRENTLY IF NOT EXISTS by_number ON lot USING btree (lot_no ASC) INCLUDE (label) WITH (fillfactor = 70) WHERE made IS NOT NULL;
CREATE INDEX by_tags ON lot USING gin (tags);
CREATE INDEX by_doc ON lot USING gin (doc jsonb_path_ops);
CREATE INDEX by_lower ON lot (lower(label) text_pattern_ops, (lot_no + 1));
CREATE INDEX hashed ON lot USING hash (label);
ALTER INDEX hashed RENAME TO by_hash;
DROP INDEX IF EXISTS by_tags, never_there;
ALTER INDEX by_number SET (fillfactor = 60);
-- == Schemas with what is made in them
CREATE TABLE plain (id integer);
ALTER TABLE plain RENAME TO plainer;
ALTER TABLE plainer SET (autovacuum_enabled = off), SET LOGGED;
CREATE INDEX by_id ON plainer (id);
ALTER TABLE plainer CLUSTER ON by_id;
-- == Statements inside a block
DO $$ BEGIN CREATE TABLE inside (id integer PRIMARY KEY); EXCEPTION WHEN duplicate_table THEN NULL; END $$;
DO $$
BEGIN
  IF NOT EXISTS (SELECT 1 FROM pg_class WHERE relname = 'guarded') THEN
    CREATE TABLE guarded (id integer);
  END IF;
END
$$;
-- == Types as dumps spell them
CREATE TABLE every (a character varying(12), b character(3), c bpchar, d "char", e timestamp(3) without time zone, f timestamp with time zone, g time(0) with time zone, h interval year to month,
  i bit(4), j bit varying(9), k double precision, l float(20), m float8, n decimal, o numeric(5), p bytea, q uuid, r jsonb, s xml, t inet, u integer[][], v text ARRAY, w int4range, x money, y oid, z smallserial);
-- == Texts with escapes, dollars and Unicode
CREATE TABLE texts (a text DEFAULT E'it\'s \\ here', b text DEFAULT $$it's$$, c text DEFAULT 'two''s', d text DEFAULT '--no comment', "Ü ü" text, "quo""ted" integer);
COMMENT ON TABLE texts IS E'line one\nline two';
COMMENT ON COLUMN texts.a IS $note$it's "kept"$note$;
COMMENT ON COLUMN texts.b IS NULL;
-- == References of every kind
CREATE TABLE taxon (code text, version integer, PRIMARY KEY (code, version), UNIQUE (version, code));
CREATE TABLE a (code text, version integer, FOREIGN KEY (code, version) REFERENCES taxon MATCH FULL ON DELETE RESTRICT);
CREATE TABLE b (code text, version integer, CONSTRAINT up FOREIGN KEY (version, code) REFERENCES taxon (version, code) ON UPDATE SET DEFAULT ON DELETE NO ACTION NOT DEFERRABLE);
CREATE TABLE c (id integer PRIMARY KEY, up integer REFERENCES c (id) DEFERRABLE INITIALLY IMMEDIATE);
-- == Structured types change field by field
CREATE TYPE place AS (shelf integer, slot varchar(9), room text);
ALTER TYPE place DROP ATTRIBUTE room, ALTER ATTRIBUTE slot SET DATA TYPE varchar(20), ADD ATTRIBUTE level smallint;
ALTER TYPE place RENAME ATTRIBUTE level TO floor;
CREATE TABLE stored (item integer, at place);
-- == Sequences come, change and go with their columns
CREATE TABLE lot (lot_no serial, other integer);
ALTER TABLE lot ALTER COLUMN other SET NOT NULL, ALTER COLUMN other ADD GENERATED ALWAYS AS IDENTITY;
-- == A serial column without its default
CREATE TABLE lot (lot_no serial, other integer);
ALTER TABLE lot ALTER COLUMN lot_no DROP DEFAULT;
-- == A column with its sequence is dropped
CREATE TABLE lot (lot_no serial, other integer);
ALTER TABLE lot DROP COLUMN lot_no;
-- == Comments on all that has one
CREATE TABLE lot (lot_no integer PRIMARY KEY, label text UNIQUE CHECK (label <> ''));
CREATE INDEX by_label ON lot (label);
CREATE TYPE rank AS ENUM ('a');
CREATE DOMAIN weight AS integer;
COMMENT ON TABLE lot IS 'the lots';
COMMENT ON COLUMN lot.lot_no IS 'its number';
COMMENT ON INDEX by_label IS 'to find it';
COMMENT ON CONSTRAINT lot_pkey ON lot IS 'the key';
COMMENT ON TYPE rank IS 'ranks';
COMMENT ON DOMAIN weight IS 'weights';
-- == Names in quotes, in capitals and too long
CREATE TABLE "Seed Lot" ("Lot No" integer PRIMARY KEY, "SELECT" text, "a""b" integer, UPPER_CASE integer);
CREATE INDEX "Index One" ON "Seed Lot" ("SELECT", upper_case);
CREATE TABLE a_name_that_is_much_longer_than_the_sixty_three_characters_that_it_may_have (a_column_that_is_also_longer_than_the_sixty_three_characters_that_it_may integer UNIQUE);
ALTER TABLE "Seed Lot" RENAME COLUMN "SELECT" TO choice;
-- == Names that the engine makes up
CREATE TABLE lot (a integer UNIQUE, b integer CHECK (b > 0) CHECK (b < 9), c integer, UNIQUE (b, c), CHECK (b > c), CHECK (c > a), EXCLUDE (a WITH =));
CREATE INDEX ON lot (a, b);
CREATE INDEX ON lot (a, b);
CREATE INDEX ON lot ((a + b), lower('x'));
ALTER TABLE lot ADD CHECK (a > 0), ADD UNIQUE (c), ADD FOREIGN KEY (c) REFERENCES lot (a);
-- == Columns that are not null by a constraint with a name
CREATE TABLE lot (a integer CONSTRAINT needed NOT NULL, b integer NOT NULL NO INHERIT, c integer, CONSTRAINT c_needed NOT NULL c);
ALTER TABLE lot ADD CONSTRAINT again CHECK (c IS NOT NULL) NO INHERIT;
ALTER TABLE lot ALTER b DROP NOT NULL;
-- == Virtual and stored columns
CREATE TABLE lot (a integer, b integer GENERATED ALWAYS AS (a * 2) VIRTUAL, c integer GENERATED ALWAYS AS (a + 1) STORED, d integer GENERATED ALWAYS AS (a + 3));
-- == Checks that are not enforced and periods
CREATE TABLE lot (a integer, CONSTRAINT soft CHECK (a > 0) NOT ENFORCED);
-- == Tables with storage parameters
CREATE UNLOGGED TABLE fast (id integer PRIMARY KEY WITH (fillfactor = 80), t text STORAGE EXTENDED COMPRESSION pglz) WITH (fillfactor = 70, autovacuum_enabled = false);
CREATE TABLE spaced (id integer, CONSTRAINT pk PRIMARY KEY (id) INCLUDE (note) USING INDEX TABLESPACE pg_default, note text) USING heap TABLESPACE pg_default;
ALTER TABLE fast SET LOGGED, SET (fillfactor = 90), RESET (autovacuum_enabled), ALTER COLUMN t SET COMPRESSION pglz;
ALTER TABLE fast REPLICA IDENTITY FULL, ENABLE ROW LEVEL SECURITY, FORCE ROW LEVEL SECURITY, SET WITHOUT CLUSTER;
ALTER TABLE fast OWNER TO CURRENT_USER;
-- == Tables moved between statements
CREATE TABLE a (id integer PRIMARY KEY);
CREATE TABLE b (id integer REFERENCES a);
ALTER TABLE a RENAME TO c;
ALTER TABLE c RENAME COLUMN id TO number;
ALTER TABLE c RENAME CONSTRAINT a_pkey TO c_key;
ALTER INDEX c_key RENAME TO c_pk;
-- == Rows, copies and what clients do
CREATE TABLE lot (id integer, label text, doc jsonb);
INSERT INTO lot VALUES (1, 'a;b', '{"a": 1}'), (2, E'c\'d', NULL) ON CONFLICT DO NOTHING;
UPDATE lot SET label = 'x' WHERE id = 1;
DELETE FROM lot WHERE id = 2;
TRUNCATE TABLE lot RESTART IDENTITY CASCADE;
ANALYZE lot;
GRANT SELECT ON lot TO PUBLIC;
REVOKE ALL ON TABLE lot FROM PUBLIC;
SET statement_timeout = 0;
SELECT pg_catalog.set_config('client_min_messages', 'warning', false);
BEGIN;
SAVEPOINT here;
RELEASE SAVEPOINT here;
COMMIT;
-- == Functions, triggers, rules and views among the tables
CREATE TABLE lot (id integer, label text);
CREATE FUNCTION stamp() RETURNS trigger LANGUAGE plpgsql AS $f$ BEGIN NEW.label := 'x; y'; RETURN NEW; END; $f$;
CREATE TRIGGER stamped BEFORE INSERT OR UPDATE OF label ON lot FOR EACH ROW WHEN (NEW.label IS NULL) EXECUTE FUNCTION stamp();
CREATE FUNCTION twice(n integer) RETURNS integer RETURN n * 2;
CREATE VIEW labels AS SELECT label FROM lot;
CREATE MATERIALIZED VIEW counted AS SELECT count(*) AS n FROM lot WITH NO DATA;
CREATE UNIQUE INDEX counted_once ON counted (n);
CREATE RULE quiet AS ON DELETE TO labels DO INSTEAD NOTHING;
ALTER TABLE lot DISABLE TRIGGER stamped, ENABLE TRIGGER ALL;
ALTER VIEW labels RENAME TO labelled;
DROP TRIGGER stamped ON lot;
DROP MATERIALIZED VIEW counted;
CREATE INDEX after ON lot (id);
-- == Policies, publications, statistics and the like
CREATE TABLE lot (id integer, label text);
CREATE POLICY own ON lot FOR SELECT USING (id > 0);
CREATE STATISTICS together ON id, label FROM lot;
CREATE COLLATION german (provider = icu, locale = 'de');
CREATE TABLE after (label text COLLATE german);
CREATE CAST (integer AS text) WITH INOUT AS ASSIGNMENT;
CREATE OPERATOR === (LEFTARG = integer, RIGHTARG = integer, FUNCTION = int4eq);
DROP CAST (integer AS text);
CREATE AGGREGATE all_of (integer) (SFUNC = int4pl, STYPE = integer, INITCOND = '0');
-- == A type changes under indexes and checks
CREATE TABLE lot (id integer PRIMARY KEY, label varchar(9) UNIQUE CHECK (label <> ''), made date DEFAULT now());
CREATE INDEX by_label ON lot (lower(label)) WHERE label IS NOT NULL;
ALTER TABLE lot ALTER COLUMN label TYPE text;
ALTER TABLE lot ALTER COLUMN made TYPE timestamp with time zone USING made::timestamptz, ALTER made DROP DEFAULT;
-- == A renamed column is renamed wherever it is spoken of
CREATE TABLE taxon (code text PRIMARY KEY, rank text CHECK (rank IN ('a', 'b')));
CREATE TABLE lot (id integer, taxon text REFERENCES taxon (code), CONSTRAINT two CHECK (id > 0 AND taxon <> ''), UNIQUE (id, taxon), twice integer GENERATED ALWAYS AS (id * 2) STORED);
CREATE INDEX mixed ON lot ((id + 1), taxon) WHERE id > 5;
ALTER TABLE lot RENAME id TO number;
ALTER TABLE taxon RENAME COLUMN code TO short;
ALTER TABLE taxon RENAME rank TO "Rank";
-- == A dropped column takes what stands on it
CREATE TABLE lot (a integer, b integer, c integer, UNIQUE (a, b), CHECK (a > b), CONSTRAINT only_c CHECK (c > 0), PRIMARY KEY (b));
CREATE TABLE other (b integer REFERENCES lot (b));
CREATE INDEX ab ON lot (a, c);
CREATE INDEX part ON lot (c) WHERE b > 0;
ALTER TABLE lot DROP COLUMN b CASCADE;
-- == Dropping types, domains and functions with what stands on them
CREATE TYPE rank AS ENUM ('a', 'b');
CREATE DOMAIN weight AS integer;
CREATE TABLE lot (id integer, rank rank, w weight);
DROP TYPE rank CASCADE;
DROP DOMAIN IF EXISTS weight CASCADE;
-- == Blocks that build statements
CREATE TABLE lot (id integer);
DO $do$
DECLARE
  n text := 'x';
BEGIN
  EXECUTE 'ALTER TABLE lot ADD COLUMN label text';
  IF EXISTS (SELECT 1 FROM information_schema.columns WHERE table_name = 'lot' AND column_name = 'id') THEN
    ALTER TABLE lot ADD COLUMN more integer NOT NULL DEFAULT 0;
  END IF;
END
$do$ LANGUAGE plpgsql;
-- == Two tables that refer to each other
CREATE TABLE a (id integer PRIMARY KEY, b integer);
CREATE TABLE b (id integer PRIMARY KEY, a integer NOT NULL REFERENCES a ON DELETE CASCADE);
ALTER TABLE ONLY a ADD CONSTRAINT a_b_fkey FOREIGN KEY (b) REFERENCES b(id) DEFERRABLE INITIALLY DEFERRED;
-- == Defaults of every kind
CREATE SEQUENCE counting;
CREATE TABLE lot (a integer DEFAULT 5, b integer DEFAULT -5, c numeric DEFAULT 1.50, d text DEFAULT 'it''s'::text, e boolean DEFAULT 't', f boolean DEFAULT false NOT NULL, g timestamptz DEFAULT now() NOT NULL, h timestamp DEFAULT ('now'::text)::timestamp(0), i date DEFAULT CURRENT_DATE, j uuid DEFAULT gen_random_uuid(), k integer[] DEFAULT '{}'::integer[], l jsonb DEFAULT '{}'::jsonb, m text[] DEFAULT ARRAY['a', 'b'], n integer DEFAULT (1 + 2) * 3, o text DEFAULT upper('x'), p interval DEFAULT '1 day', q bigint DEFAULT nextval('counting'::regclass), r text DEFAULT NULL, s varchar(3) DEFAULT 'abc'::character varying, t time DEFAULT LOCALTIME, u text DEFAULT CURRENT_USER, v bit(3) DEFAULT B'101');
-- == Checks of every kind
CREATE TABLE lot (a integer, b text, c date, d numeric(5,2), e text[], f jsonb, CHECK (a BETWEEN 1 AND 9), CHECK (b LIKE 'a%' OR b IS NULL), CHECK (b IN ('x', 'y')), CHECK (c > '2020-01-01'), CHECK (d >= 0 AND d <> 5), CHECK (length(b) <= 9), CHECK (b ~ '^[a-z]+$'), CHECK (array_length(e, 1) > 0), CHECK (f ? 'k'), CHECK (NOT (a = 5)), CHECK (coalesce(a, 0) < 5), CHECK (a IS NOT NULL OR b IS NOT NULL), CHECK ((a IS NULL) = (b IS NULL)), CHECK (CASE WHEN a > 5 THEN b <> '' ELSE true END), CHECK (a % 2 = 0), CHECK (b = ANY (ARRAY['p', 'q'])));
-- == Old ways of dumps
SET default_tablespace = '';
SET default_with_oids = false;
CREATE TABLE lot (
    id integer NOT NULL,
    label character varying(20) DEFAULT ''::character varying NOT NULL,
    weight double precision DEFAULT (0)::double precision
);
ALTER TABLE lot ALTER COLUMN id ADD GENERATED BY DEFAULT AS IDENTITY (
    SEQUENCE NAME lot_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);
ALTER TABLE ONLY lot ADD CONSTRAINT lot_pkey PRIMARY KEY (id);
CREATE INDEX lot_label_idx ON lot USING btree (label varchar_pattern_ops);
ALTER TABLE lot CLUSTER ON lot_label_idx;
ALTER TABLE ONLY lot ALTER COLUMN label SET STATISTICS 500;
-- == Inheritance that goes on
CREATE TABLE a (id integer NOT NULL, CHECK (id > 0));
CREATE TABLE b (extra text) INHERITS (a);
ALTER TABLE a ADD CONSTRAINT small CHECK (id < 100);
ALTER TABLE a ADD CONSTRAINT own CHECK (id <> 50) NO INHERIT;
ALTER TABLE a ALTER COLUMN id TYPE bigint;
ALTER TABLE a ALTER COLUMN id DROP NOT NULL;
ALTER TABLE a DROP CONSTRAINT small;
ALTER TABLE a RENAME TO parent;
DROP TABLE parent CASCADE;
-- == Primary keys over partitions come with the table
CREATE TABLE m (id bigint GENERATED ALWAYS AS IDENTITY, made date NOT NULL, label text, PRIMARY KEY (id, made), UNIQUE (made, label)) PARTITION BY RANGE (made);
CREATE INDEX ON m (label);
CREATE TABLE m_1 PARTITION OF m FOR VALUES FROM (MINVALUE) TO ('2020-01-01') PARTITION BY RANGE (made);
CREATE TABLE m_1a PARTITION OF m_1 FOR VALUES FROM (MINVALUE) TO ('2019-01-01');
ALTER TABLE m ADD CONSTRAINT short CHECK (length(label) < 5);
ALTER TABLE m DROP COLUMN IF EXISTS never;
DROP TABLE m_1a;
-- == Chains over years: columns come, move and go
CREATE TABLE member (id serial PRIMARY KEY, name varchar(50) NOT NULL, mail varchar(80));
ALTER TABLE member ADD COLUMN active boolean;
UPDATE member SET active = true;
ALTER TABLE member ALTER COLUMN active SET DEFAULT true, ALTER COLUMN active SET NOT NULL;
ALTER TABLE member RENAME TO members;
ALTER SEQUENCE member_id_seq RENAME TO members_id_seq;
ALTER INDEX member_pkey RENAME TO members_pkey;
CREATE TABLE role (code text PRIMARY KEY);
ALTER TABLE members ADD role text DEFAULT 'plain' REFERENCES role ON UPDATE CASCADE;
ALTER TABLE members DROP CONSTRAINT members_role_fkey;
ALTER TABLE members ADD CONSTRAINT members_role_fkey FOREIGN KEY (role) REFERENCES role (code) ON DELETE SET DEFAULT;
CREATE UNIQUE INDEX members_mail ON members (lower(mail)) WHERE active;
ALTER TABLE members DROP COLUMN mail;
ALTER TABLE members ALTER id TYPE bigint;
ALTER TABLE members ADD CONSTRAINT named CHECK (name <> '') NOT VALID;
ALTER TABLE members VALIDATE CONSTRAINT named;
DROP TABLE IF EXISTS role CASCADE;
-- == The key becomes another one
CREATE TABLE slot (vault char(2), shelf integer, place integer);
ALTER TABLE slot ADD CONSTRAINT slot_key PRIMARY KEY (vault, shelf);
CREATE TABLE held (vault char(2), shelf integer, FOREIGN KEY (vault, shelf) REFERENCES slot);
ALTER TABLE held DROP CONSTRAINT held_vault_shelf_fkey;
ALTER TABLE slot DROP CONSTRAINT slot_key;
ALTER TABLE slot ADD COLUMN id bigint GENERATED ALWAYS AS IDENTITY, ADD PRIMARY KEY (id), ADD CONSTRAINT slot_place UNIQUE (vault, shelf, place);
ALTER TABLE held ADD COLUMN slot bigint REFERENCES slot, DROP COLUMN vault, DROP COLUMN shelf;
-- == Guarded changes
DO $$
DECLARE r record;
BEGIN
  CREATE TABLE IF NOT EXISTS lot (id integer);
  BEGIN
    ALTER TABLE lot ADD COLUMN label text;
  EXCEPTION
    WHEN duplicate_column THEN RAISE NOTICE 'there already';
  END;
  FOR r IN SELECT 1 LOOP
    NULL;
  END LOOP;
  PERFORM 1;
END $$;
ALTER TABLE lot ADD COLUMN IF NOT EXISTS label integer;
-- == Views that stand in the way are made again
CREATE TABLE lot (id integer, label varchar(5));
CREATE VIEW labels AS SELECT label FROM lot;
DROP VIEW labels;
ALTER TABLE lot ALTER COLUMN label TYPE varchar(50);
CREATE OR REPLACE VIEW labels AS SELECT label FROM lot;
CREATE RECURSIVE VIEW up (n) AS VALUES (1) UNION ALL SELECT n + 1 FROM up WHERE n < 5;
CREATE TEMP VIEW passing AS SELECT 1;
COMMENT ON VIEW labels IS 'x';
-- == Arrays, ranges and types of extensions spelled in full
CREATE TABLE lot (a pg_catalog.int4, b "pg_catalog"."varchar"(9), c text COLLATE "C" NOT NULL, d character varying[] DEFAULT '{}'::character varying[] NOT NULL, e timestamp(0) without time zone[], f numeric(5,2)[], g bit varying, h interval(3), i interval day to second(2), j tsvector, k point, l cidr, m macaddr, n pg_lsn, o regclass, p name, q daterange, r int4multirange);
-- == Statements over several lines with comments everywhere
CREATE /* why */ TABLE -- this
lot ( -- that
  id /* key */ integer /* of all */ NOT NULL, -- first; really
  /* a comment, with a comma */
  label text DEFAULT 'a -- b /* c */' -- last
); -- end
COMMENT /* x */ ON TABLE lot /* y */ IS /* z */ 'a;b';
-- == Types on types
CREATE TYPE rank AS ENUM ('a', 'b');
CREATE DOMAIN short AS text CHECK (length(VALUE) < 9) CHECK (VALUE <> '');
CREATE DOMAIN shorter AS short CONSTRAINT tiny CHECK (length(VALUE) < 5);
CREATE DOMAIN ranks AS rank DEFAULT 'a';
CREATE DOMAIN numbers AS integer[];
CREATE TYPE place AS (shelf integer, rank rank, label short, tags text[]);
CREATE TYPE span AS RANGE (subtype = float8);
CREATE TABLE lot (a rank[], b shorter NOT NULL, c ranks, d numbers, e place, f place[], g span, h short[] DEFAULT '{}');
-- == Foreign tables and tables of the system are no tables of the design
CREATE FOREIGN DATA WRAPPER far;
CREATE SERVER away FOREIGN DATA WRAPPER far;
CREATE FOREIGN TABLE over_there (id integer NOT NULL) SERVER away OPTIONS (x 'y');
CREATE TABLE here (id integer);
DROP FOREIGN TABLE over_there;
DROP SERVER away;
DROP FOREIGN DATA WRAPPER far;
-- == Columns with every property at once
CREATE TABLE lot2 (label varchar(9) PRIMARY KEY);
CREATE TABLE lot (id bigint GENERATED BY DEFAULT AS IDENTITY (START WITH 7 INCREMENT BY 3 MINVALUE 1 MAXVALUE 99 CACHE 5 CYCLE) PRIMARY KEY, label varchar(9) COLLATE "C" DEFAULT 'x' NOT NULL UNIQUE CHECK (label <> 'y') REFERENCES lot2 (label) DEFERRABLE, other integer CONSTRAINT pos CHECK (other > 0) CONSTRAINT once UNIQUE DEFERRABLE INITIALLY DEFERRED);
-- == What partitions get from the whole later
CREATE TABLE vault (vault_no integer PRIMARY KEY);
CREATE TABLE reading (taken date NOT NULL, vault integer NOT NULL) PARTITION BY RANGE (taken);
CREATE TABLE reading_2025 (taken date NOT NULL, vault integer NOT NULL);
ALTER TABLE ONLY reading ATTACH PARTITION reading_2025 FOR VALUES FROM ('2025-01-01') TO ('2026-01-01');
CREATE INDEX by_vault ON ONLY reading USING btree (vault);
CREATE INDEX reading_2025_vault ON reading_2025 USING btree (vault);
ALTER INDEX by_vault ATTACH PARTITION reading_2025_vault;
ALTER TABLE reading ADD CONSTRAINT at_vault FOREIGN KEY (vault) REFERENCES vault (vault_no);
CREATE INDEX later ON reading (vault, taken);
-- == Domains that refuse null
CREATE DOMAIN code AS varchar(9) NOT NULL;
CREATE DOMAIN weight AS numeric(9,2) NOT NULL DEFAULT 1 CONSTRAINT heavy CHECK (VALUE >= 0);
CREATE DOMAIN share AS numeric(3,2) CHECK (VALUE >= 0) NOT NULL;
CREATE DOMAIN note AS text;
ALTER DOMAIN note SET NOT NULL;
ALTER DOMAIN share DROP NOT NULL;
ALTER DOMAIN share ADD CONSTRAINT less CHECK (VALUE <= 1);
ALTER DOMAIN share SET NOT NULL;
CREATE DOMAIN lot_id AS integer CHECK (VALUE > 0) NOT NULL;
ALTER DOMAIN lot_id DROP CONSTRAINT lot_id_check;
CREATE TABLE lot (id lot_id PRIMARY KEY, c code, w weight, s share, n note);
-- == Identities changed part by part
CREATE TABLE lot (id bigint GENERATED ALWAYS AS IDENTITY, no int, rest int GENERATED BY DEFAULT AS IDENTITY (START WITH 5 INCREMENT BY 5));
ALTER TABLE lot ALTER COLUMN id SET GENERATED BY DEFAULT SET START WITH 7 SET INCREMENT BY 2;
ALTER TABLE lot ALTER rest SET CACHE 5 SET NO MAXVALUE SET GENERATED ALWAYS RESTART WITH 50, ALTER COLUMN no SET NOT NULL;
ALTER TABLE lot ALTER id RESTART;
ALTER TABLE lot ALTER COLUMN no SET (n_distinct = 5);
-- == When constraints are checked
CREATE TABLE parent (id int PRIMARY KEY);
CREATE TABLE lot (id int PRIMARY KEY DEFERRABLE INITIALLY DEFERRED, a int REFERENCES parent DEFERRABLE, b int REFERENCES parent ON DELETE SET NULL (b) INITIALLY DEFERRED, c int);
ALTER TABLE lot ALTER CONSTRAINT lot_a_fkey DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE lot ALTER CONSTRAINT lot_b_fkey NOT DEFERRABLE;
ALTER TABLE lot ADD FOREIGN KEY (c) REFERENCES parent INITIALLY IMMEDIATE DEFERRABLE;
-- == Rules of domains under other names
CREATE DOMAIN weight AS int CONSTRAINT light CHECK (VALUE > 0);
ALTER DOMAIN weight RENAME CONSTRAINT light TO heavy;
ALTER DOMAIN weight SET DEFAULT 5;
ALTER DOMAIN weight VALIDATE CONSTRAINT heavy;
CREATE TYPE spot AS (lat int, lon int);
ALTER TYPE spot RENAME TO place;
CREATE TABLE lot (w weight DEFAULT 6, p place);
CREATE UNLOGGED TABLE fast (a int) WITH (fillfactor = 70);
-- == Rules of a domain one by one
CREATE DOMAIN share AS numeric(5,2) CONSTRAINT least CHECK (VALUE >= 0) CONSTRAINT most CHECK (VALUE <= 1);
ALTER DOMAIN share ADD CONSTRAINT exact CHECK (VALUE <> 0.5);
ALTER DOMAIN share DROP CONSTRAINT most;
ALTER DOMAIN share RENAME CONSTRAINT exact TO not_half;
CREATE DOMAIN mark AS integer CHECK (VALUE > 0) CHECK (VALUE < 9) NOT NULL;
ALTER DOMAIN mark DROP CONSTRAINT mark_check1;
ALTER DOMAIN mark DROP CONSTRAINT IF EXISTS never;
CREATE DOMAIN gone AS integer CHECK (VALUE > 0);
ALTER DOMAIN gone DROP CONSTRAINT gone_check CASCADE;
ALTER DOMAIN gone ADD CHECK (VALUE > 5);
CREATE DOMAIN moved AS integer CONSTRAINT one CHECK (VALUE > 0) CONSTRAINT two CHECK (VALUE < 9);
ALTER DOMAIN moved RENAME TO there;
ALTER DOMAIN there DROP CONSTRAINT one;
CREATE TABLE lot (id share, no mark, what gone, room there);
-- == Settings of columns
CREATE TABLE lot (id integer, note text);
ALTER TABLE lot ALTER COLUMN id SET STATISTICS 100, ALTER COLUMN note SET STORAGE EXTERNAL, ALTER COLUMN note SET COMPRESSION pglz, ALTER COLUMN note SET (n_distinct = 5), ALTER COLUMN id SET NOT NULL;
