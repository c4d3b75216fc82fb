CREATE TYPE dbo.accession_code FROM varchar(12);
GO
CREATE TABLE dbo.vault_room (
    room_no     int           IDENTITY(10, 5) NOT NULL CONSTRAINT pk_vault_room PRIMARY KEY,
    label       nvarchar(60)  NOT NULL UNIQUE,
    target_temp decimal(4,1)  CONSTRAINT df_target DEFAULT (-18.5) NOT NULL,
    opened      date,
    keeper      sysname       NULL
);
CREATE TABLE dbo.rack (
    room_no     int           NOT NULL,
    rack_no     smallint      NOT NULL,
    code        dbo.accession_code NULL,
    capacity    int           DEFAULT 0 NOT NULL,
    used        int           DEFAULT ((0)) NOT NULL,
    free        AS capacity - used PERSISTED,
    half        AS (capacity / 2),
    note        nvarchar(max) COLLATE Latin1_General_100_BIN2,
    picture     varbinary(max),
    load_factor float,
    ratio       real,
    price       money,
    seen_at     datetime2(3)  DEFAULT sysdatetime(),
    at_time     time(0),
    zoned       datetimeoffset,
    marker      uniqueidentifier DEFAULT newid(),
    checked     bit           DEFAULT 1 NOT NULL,
    CONSTRAINT pk_rack PRIMARY KEY (room_no, rack_no),
    CONSTRAINT fk_rack_room FOREIGN KEY (room_no) REFERENCES dbo.vault_room (room_no) ON DELETE CASCADE,
    CHECK (capacity >= 0),
    CONSTRAINT ck_used CHECK (used <= capacity AND (note IS NULL OR note <> N'?'))
);
CREATE TABLE dbo.tray (
    tray_no int NOT NULL PRIMARY KEY,
    room_no int NULL,
    rack_no smallint NULL,
    CONSTRAINT fk_tray_rack FOREIGN KEY (room_no, rack_no) REFERENCES dbo.rack (room_no, rack_no) ON DELETE SET NULL ON UPDATE CASCADE
);
CREATE INDEX ix_rack_note ON dbo.rack (checked, seen_at DESC) INCLUDE (capacity) WHERE used > 0;
CREATE UNIQUE INDEX ux_tray ON dbo.tray (room_no, rack_no);
CREATE SEQUENCE dbo.tray_numbers AS bigint START WITH 100 INCREMENT BY 2;
EXEC sys.sp_addextendedproperty N'MS_Description', N'Where trays stand', N'SCHEMA', N'dbo', N'TABLE', N'rack';
EXEC sys.sp_addextendedproperty N'MS_Description', N'How many trays fit', N'SCHEMA', N'dbo', N'TABLE', N'rack', N'COLUMN', N'capacity';
GO
CREATE VIEW dbo.full_racks AS SELECT room_no, rack_no FROM dbo.rack WHERE used = capacity;
GO
CREATE PROCEDURE dbo.empty_rack @room int AS BEGIN UPDATE dbo.rack SET used = 0 WHERE room_no = @room; END
GO
