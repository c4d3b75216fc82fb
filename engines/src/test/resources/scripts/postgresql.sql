-- PostgreSQL database dump of a made-up vault, with years of changes behind it
SET statement_timeout = 0;
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', 'public', false);
CREATE EXTENSION IF NOT EXISTS plpgsql WITH SCHEMA pg_catalog;
CREATE TYPE public.state AS ENUM ('dry', 'wet');
ALTER TYPE public.state ADD VALUE 'frozen' AFTER 'dry';
CREATE DOMAIN public.celsius AS numeric(4,1) CONSTRAINT celsius_range CHECK (VALUE > -273.15);
CREATE FUNCTION public.touch() RETURNS trigger LANGUAGE plpgsql AS $fn$
BEGIN
  NEW.changed_at := now(); -- a semicolon; and a quote '
  RETURN NEW;
END;
$fn$;
CREATE TABLE public.thing (
    id integer NOT NULL,
    label character varying(40) DEFAULT 'new; thing'::character varying NOT NULL,
    changed_at timestamp with time zone DEFAULT now(),
    CONSTRAINT thing_label_check CHECK (((label)::text <> ''::text))
);
CREATE SEQUENCE public.thing_id_seq AS integer START WITH 1 INCREMENT BY 1 NO MINVALUE NO MAXVALUE CACHE 1;
ALTER SEQUENCE public.thing_id_seq OWNED BY public.thing.id;
ALTER TABLE ONLY public.thing ALTER COLUMN id SET DEFAULT nextval('public.thing_id_seq'::regclass);
ALTER TABLE ONLY public.thing ADD CONSTRAINT thing_pkey PRIMARY KEY (id);
-- inheritance: columns of the parents come first, checks come along, keys do not
CREATE TABLE lot (weight numeric(8,2), tags text[], label character varying(40) NOT NULL DEFAULT 'lot') INHERITS (thing);
ALTER TABLE thing ADD COLUMN note text;
ALTER TABLE thing RENAME COLUMN label TO title;
ALTER TABLE thing ADD CHECK (note <> 'x');
-- partitions have what the whole has
CREATE TABLE reading (sensor integer NOT NULL, read_at timestamptz NOT NULL, value celsius, PRIMARY KEY (sensor, read_at)) PARTITION BY RANGE (read_at);
CREATE TABLE reading_2024 PARTITION OF reading FOR VALUES FROM ('2024-01-01') TO ('2025-01-01');
CREATE TABLE reading_rest PARTITION OF reading DEFAULT;
CREATE INDEX reading_value ON reading (value DESC NULLS LAST);
-- serials, identities, implied names, long names
CREATE TABLE accession (accession_id bigserial PRIMARY KEY, code char(9) UNIQUE, parent int REFERENCES thing ON DELETE SET NULL, s state DEFAULT 'dry', n int GENERATED ALWAYS AS IDENTITY (START WITH 10 INCREMENT BY 5),
    twice int GENERATED ALWAYS AS (1 + 1) STORED, at_place point, took interval, bits bit(3), UNIQUE (code, s), CHECK (n > 0));
CREATE TABLE a_table_with_a_name_that_is_far_too_long_for_the_engine_to_keep_it (a_column_with_a_name_that_is_rather_long integer UNIQUE, b int REFERENCES thing (id));
CREATE TABLE germination (accession_id bigint, run smallint, PRIMARY KEY (accession_id, run), FOREIGN KEY (accession_id) REFERENCES accession DEFERRABLE INITIALLY DEFERRED);
CREATE UNIQUE INDEX CONCURRENTLY IF NOT EXISTS code_lower ON accession USING btree (lower(code)) WHERE (code IS NOT NULL);
CREATE INDEX ON accession (code, lower(code));
CREATE INDEX ON accession USING hash (code);
CREATE TABLE copy_of (LIKE accession INCLUDING ALL, extra text);
-- years of changes
ALTER TABLE accession ADD COLUMN IF NOT EXISTS seeds integer DEFAULT 0 NOT NULL, ADD COLUMN gone boolean, ALTER COLUMN code TYPE varchar(12) USING trim(code), DROP CONSTRAINT accession_code_key;
ALTER TABLE accession DROP COLUMN gone, ALTER seeds DROP DEFAULT, ALTER seeds DROP NOT NULL;
ALTER TABLE accession RENAME TO stock;
ALTER TABLE stock RENAME CONSTRAINT accession_pkey TO stock_pkey;
ALTER INDEX code_lower RENAME TO stock_code_lower;
ALTER TABLE germination DROP CONSTRAINT germination_accession_id_fkey;
ALTER TABLE ONLY germination ADD CONSTRAINT g_stock FOREIGN KEY (accession_id) REFERENCES stock(accession_id) ON UPDATE CASCADE NOT VALID;
ALTER TABLE germination VALIDATE CONSTRAINT g_stock;
DO $$
BEGIN
  IF NOT EXISTS (SELECT 1 FROM pg_type WHERE typname = 'rank') THEN
    CREATE TYPE rank AS ENUM ('family', 'genus');
  END IF;
END $$;
DO $$ BEGIN
  CREATE TYPE state AS ENUM ('never');
EXCEPTION WHEN duplicate_object THEN NULL;
END $$;
DO $do$ BEGIN EXECUTE 'ALTER TABLE germination ADD COLUMN IF NOT EXISTS rate numeric(4,1)'; ALTER TABLE germination ADD COLUMN IF NOT EXISTS rate int; END $do$;
CREATE VIEW dry AS SELECT * FROM stock WHERE s = 'dry'; -- comment with ' quote
CREATE OR REPLACE RULE r AS ON INSERT TO copy_of DO ALSO (SELECT 1; SELECT 2);
CREATE TEMP TABLE scratch (x int); ALTER TABLE scratch ADD y int; DROP TABLE scratch;
CREATE TABLE doomed (x int PRIMARY KEY); CREATE TABLE child (x int REFERENCES doomed); DROP TABLE IF EXISTS doomed, never_there CASCADE;
CREATE TABLE "Odd ""Name""" ("Select" integer PRIMARY KEY, "from-to" text COLLATE "C", U integer CHECK (U IN (1, 2)));
CREATE TRIGGER touched BEFORE UPDATE ON thing FOR EACH ROW EXECUTE FUNCTION touch();
COMMENT ON TABLE thing IS 'it''s a thing';
COMMENT ON COLUMN thing.title IS E'line\ntwo';
/* a comment /* in a comment */ ; */
GRANT SELECT ON thing TO PUBLIC;
CREATE TABLE heir (PRIMARY KEY (id), FOREIGN KEY (accession_id) REFERENCES stock, accession_id bigint) INHERITS (thing);
