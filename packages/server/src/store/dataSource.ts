import { DataSource } from 'typeorm';
import {
  ArticleEntity,
  DefaultsEntity,
  DeviceEntity,
  JobEntity,
  JudgementPriceEntity,
  LabourUnitEntity,
  NoteEntity,
  PictureEntity,
  PractisedEntity,
  PresenceEntity,
  PriceChangeEntity,
  RevisionEntity,
  RecordEntity,
  TruckMoveEntity,
} from './entities.js';
import {
  Catalog1700000000002,
  Jobs1700000000001,
  NamedTicks1700000000005,
  Pictures1700000000003,
  Records1700000000007,
  SquareBoxes1700000000006,
  Ticks1700000000004,
} from './migrations.js';
import { CatalogPrices1700000000012 } from './catalogPrices.js';
import { Devices1700000000018 } from './devices.js';
import { Faces1700000000008 } from './faces.js';
import { JobList1700000000017 } from './jobList.js';
import { JudgementPrices1700000000011 } from './judgementPrices.js';
import { Makers1700000000019 } from './makers.js';
import { MoreStock1700000000010 } from './moreStock.js';
import { BinaryIds1700000000016 } from './binaryIds.js';
import { Practised1700000000020 } from './practisedTable.js';
import { Presence1700000000015 } from './presence.js';
import { RevisionNames1700000000014 } from './revisionNames.js';
import { SpliceMinutes1700000000009 } from './splices.js';
import { TruckMoves1700000000013 } from './truckMoves.js';

/** A data source on the MariaDB of this URL, migrations not yet run. */
export const dataSourceOf = (url: string): DataSource =>
  new DataSource({
    type: 'mariadb',
    url,
    charset: 'utf8mb4_unicode_ci',
    timezone: 'Z',
    entities: [
      JobEntity,
      RevisionEntity,
      NoteEntity,
      ArticleEntity,
      DefaultsEntity,
      LabourUnitEntity,
      JudgementPriceEntity,
      PriceChangeEntity,
      TruckMoveEntity,
      PictureEntity,
      RecordEntity,
      PresenceEntity,
      DeviceEntity,
      PractisedEntity,
    ],
    migrations: [
      Jobs1700000000001,
      Catalog1700000000002,
      Pictures1700000000003,
      Ticks1700000000004,
      NamedTicks1700000000005,
      SquareBoxes1700000000006,
      Records1700000000007,
      Faces1700000000008,
      SpliceMinutes1700000000009,
      MoreStock1700000000010,
      JudgementPrices1700000000011,
      CatalogPrices1700000000012,
      TruckMoves1700000000013,
      RevisionNames1700000000014,
      Presence1700000000015,
      BinaryIds1700000000016,
      JobList1700000000017,
      Devices1700000000018,
      Makers1700000000019,
      Practised1700000000020,
    ],
    extra: { connectionLimit: 10 },
  });
