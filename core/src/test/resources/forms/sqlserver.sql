-- == CREATE TABLE with keys, defaults and names
CREATE TABLE dbo.Lot (LotId int IDENTITY(1,1) NOT NULL CONSTRAINT PK_Lot PRIMARY KEY NONCLUSTERED, Code nvarchar(20) COLLATE Latin1_General_CS_AS NOT NULL CONSTRAINT UQ_Code UNIQUE, Weight decimal(9, 2) NULL DEFAULT 0, Made datetime2(3) CONSTRAINT DF_Made DEFAULT sysutcdatetime(), RowId uniqueidentifier ROWGUIDCOL NOT NULL DEFAULT newid(), CHECK (Weight >= 0));
-- == ALTER TABLE ADD: columns and constraints in one list
CREATE TABLE Lot (Id int NOT NULL);
ALTER TABLE Lot ADD Code varchar(9) NULL, Parent int NULL CONSTRAINT FK_Parent REFERENCES Lot (Id), CONSTRAINT PK PRIMARY KEY CLUSTERED (Id DESC);
ALTER TABLE Lot WITH NOCHECK ADD CONSTRAINT CK_Code CHECK (Code <> ''), CONSTRAINT UQ UNIQUE (Code, Parent) WITH (IGNORE_DUP_KEY = ON) ON [PRIMARY];
ALTER TABLE Lot ADD CONSTRAINT DF_Code DEFAULT 'none' FOR Code WITH VALUES;
-- == ALTER COLUMN
CREATE TABLE Lot (Id int NOT NULL PRIMARY KEY, Code varchar(9) NOT NULL, Note ntext);
ALTER TABLE Lot ALTER COLUMN Code nvarchar(40) COLLATE Latin1_General_BIN2 NULL;
ALTER TABLE Lot ALTER COLUMN Id bigint NOT NULL;
ALTER TABLE Lot ALTER COLUMN Id ADD ROWGUIDCOL;
ALTER TABLE Lot ALTER COLUMN Code DROP MASKED;
-- == DROP: columns, constraints, several at once
CREATE TABLE Lot (Id int NOT NULL CONSTRAINT PK PRIMARY KEY, A int CONSTRAINT DF_A DEFAULT 1, B int CONSTRAINT CK_B CHECK (B > 0), C int, D int);
ALTER TABLE Lot DROP CONSTRAINT DF_A, CK_B;
ALTER TABLE Lot DROP COLUMN A, B;
ALTER TABLE Lot DROP CONSTRAINT IF EXISTS never, COLUMN IF EXISTS C;
ALTER TABLE Lot DROP CONSTRAINT PK WITH (ONLINE = ON);
-- == Indexes of every kind
CREATE TABLE Lot (Id int NOT NULL, Code varchar(9), Made date, INDEX by_made NONCLUSTERED (Made DESC), INDEX store CLUSTERED COLUMNSTORE);
CREATE UNIQUE CLUSTERED INDEX once ON dbo.Lot (Code ASC, Id DESC) INCLUDE (Made) WHERE Code IS NOT NULL WITH (FILLFACTOR = 80, DROP_EXISTING = ON) ON [PRIMARY];
CREATE NONCLUSTERED COLUMNSTORE INDEX columns ON Lot (Id, Made);
CREATE INDEX gone ON Lot (Id);
DROP INDEX gone ON Lot;
DROP INDEX IF EXISTS Lot.never;
ALTER INDEX ALL ON Lot REBUILD;
EXEC sp_rename N'dbo.Lot.once', N'only_once', N'INDEX';
-- == Renaming
CREATE TABLE Lot (Id int NOT NULL, Code varchar(9));
EXEC sp_rename 'Lot.Code', 'Title', 'COLUMN';
EXEC sp_rename 'dbo.Lot', 'Lots';
-- == Computed, sparse, masked and period columns
CREATE TABLE Lot (Id int NOT NULL, A int SPARSE NULL, B AS (A * 2), C AS A + 1 PERSISTED NOT NULL, D varchar(9) MASKED WITH (FUNCTION = 'default()') NULL, F datetime2 GENERATED ALWAYS AS ROW START HIDDEN NOT NULL, T datetime2 GENERATED ALWAYS AS ROW END NOT NULL, PERIOD FOR SYSTEM_TIME (F, T), PRIMARY KEY (Id)) WITH (SYSTEM_VERSIONING = ON (HISTORY_TABLE = dbo.LotHistory));
-- == References
CREATE TABLE Taxon (Code varchar(9) NOT NULL PRIMARY KEY);
CREATE TABLE Lot (Id int NOT NULL, Taxon varchar(9) NOT NULL FOREIGN KEY REFERENCES Taxon ON DELETE CASCADE ON UPDATE SET NULL NOT FOR REPLICATION, CONSTRAINT FK_Two FOREIGN KEY (Taxon) REFERENCES dbo.Taxon (Code) ON DELETE SET DEFAULT);
ALTER TABLE Lot NOCHECK CONSTRAINT ALL;
ALTER TABLE Lot WITH CHECK CHECK CONSTRAINT FK_Two;
-- == Types of one's own and sequences
CREATE TYPE dbo.Weight FROM decimal(9, 2) NOT NULL;
CREATE TYPE Phone FROM varchar(20);
CREATE SEQUENCE dbo.Counting AS bigint START WITH 10 INCREMENT BY 5 NO CYCLE CACHE 50;
CREATE TABLE Lot (Id bigint NOT NULL DEFAULT (NEXT VALUE FOR dbo.Counting), W dbo.Weight, P Phone NULL, V Weight NULL);
DROP SEQUENCE IF EXISTS never;
-- == Statements without semicolons
CREATE TABLE A (Id int)
CREATE TABLE B (Id int)
CREATE INDEX x ON B (Id)
INSERT INTO A VALUES (1)
DROP TABLE IF EXISTS never
ALTER TABLE A ADD Note text
-- == Guarded statements and batches
IF OBJECT_ID(N'dbo.Lot', N'U') IS NULL
BEGIN
CREATE TABLE dbo.Lot (Id int NOT NULL)
END
GO
IF NOT EXISTS (SELECT * FROM sys.columns WHERE name = 'Code') ALTER TABLE dbo.Lot ADD Code varchar(9)
GO 2
PRINT 'done; really'
GO
-- == Properties of columns come and go
CREATE TABLE Lot (Id int NOT NULL, A int, B AS (A + 1), C varchar(9));
ALTER TABLE Lot ALTER COLUMN B ADD PERSISTED;
ALTER TABLE Lot ALTER COLUMN C ADD MASKED WITH (FUNCTION = 'partial(1,"x",1)');
ALTER TABLE Lot ALTER COLUMN A ADD SPARSE;
ALTER TABLE Lot ALTER COLUMN Id DROP NOT FOR REPLICATION;
ALTER TABLE Lot ADD CONSTRAINT PK PRIMARY KEY (Id);
-- == Schemas, synonyms, permissions and settings
CREATE SCHEMA vault AUTHORIZATION dbo;
GO
CREATE TABLE vault.Lot (Id int NOT NULL);
ALTER SCHEMA dbo TRANSFER vault.Lot;
CREATE SYNONYM L FOR vault.Lot;
GRANT SELECT ON vault.Lot TO public;
DENY UPDATE ON vault.Lot TO guest;
SET IDENTITY_INSERT vault.Lot ON;
DECLARE @x int = 5;
SET @x = @x + 1;
UPDATE STATISTICS vault.Lot;
DBCC CHECKIDENT ('vault.Lot', RESEED, 5);
USE master;
WAITFOR DELAY '00:00:01';
RAISERROR('x', 10, 1);
THROW 50000, 'x', 1;
MERGE INTO vault.Lot AS t USING (SELECT 1 AS i) AS s ON t.Id = s.i WHEN NOT MATCHED THEN INSERT VALUES (s.i);
BULK INSERT vault.Lot FROM 'x';
TRUNCATE TABLE vault.Lot;
-- == Descriptions
CREATE TABLE dbo.Lot (Id int NOT NULL);
EXEC sys.sp_addextendedproperty N'MS_Description', N'the number', N'SCHEMA', N'dbo', N'TABLE', N'Lot', N'COLUMN', N'Id';
EXEC sp_addextendedproperty @name = N'MS_Description', @value = N'the lots', @level0type = N'SCHEMA', @level0name = N'dbo', @level1type = N'TABLE', @level1name = N'Lot';
EXEC sp_updateextendedproperty @name = N'MS_Description', @value = N'all lots', @level0type = N'SCHEMA', @level0name = N'dbo', @level1type = N'TABLE', @level1name = N'Lot';
-- == Schemas, and what moves between them
CREATE SCHEMA deep AUTHORIZATION dbo;
GO
CREATE TABLE dbo.Lot (Id int);
ALTER SCHEMA deep TRANSFER OBJECT::dbo.Lot;
ALTER SCHEMA deep TRANSFER dbo.Nowhere;
ALTER TABLE deep.Lot ADD Note varchar(9);
GO
ALTER AUTHORIZATION ON SCHEMA::deep TO dbo;
-- == Blocks under conditions
IF OBJECT_ID('Lot') IS NULL
BEGIN TRY
  BEGIN TRANSACTION;
  CREATE TABLE Lot (Id int);
  COMMIT;
END TRY
BEGIN CATCH
  ROLLBACK;
END CATCH
ELSE
  CREATE TABLE Other (Id int);
IF 1 = 1
GO
CREATE TABLE Behind (Id int);
-- == Computed and indexed in the column
CREATE TABLE Lot (Id int IDENTITY(5, 5) NOT NULL, A int INDEX ix_a UNIQUE NONCLUSTERED WHERE (A > 0), B AS Id * 2 NOT NULL, C AS (CAST(Id AS bigint)) PERSISTED NOT NULL, D varchar(9) MASKED WITH (FUNCTION = 'default()') NULL, E int SPARSE ON [PRIMARY],
  INDEX ix_c CLUSTERED COLUMNSTORE ORDER (Id) WITH (DROP_EXISTING = OFF), INDEX ix_d (A DESC) INCLUDE (D) WHERE A > 1 WITH (PAD_INDEX = ON));
CREATE XML INDEX x ON Lot (D);
EXEC sp_rename 'Lot.ix_d', 'ix_e', 'INDEX';
EXEC sp_rename 'Lot.D', 'F', 'COLUMN';
EXEC sp_rename 'nowhere';
-- == Types under another name
CREATE TYPE dbo.Code FROM varchar(9) NOT NULL;
EXEC sp_rename 'dbo.Code', 'Mark', 'USERDATATYPE';
CREATE TABLE Lot (A Mark, B Mark NULL, C dbo.Code);
EXEC sp_rename 'dbo.Never', 'Mark', 'USERDATATYPE';
