import { blob, index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type {
  BuildRecord,
  CodeRecord,
  CupRecord,
  JoinRecord,
  PaintRecord,
  ReadingRecord,
  SettingsRecord,
  TrayRecord,
} from '../../api/index.ts';

const json = <T>(name: string) => text(name, { mode: 'json' }).$type<T>().notNull();

export const paints = sqliteTable('paints', {
  id: text('id').primaryKey(),
  range: text('range').notNull(),
  name: text('name').notNull(),
  family: text('family').$type<PaintRecord['family']>().notNull(),
  container: text('container').$type<PaintRecord['container']>().notNull(),
  role: text('role').$type<PaintRecord['role']>().notNull(),
  sheen: text('sheen').$type<PaintRecord['sheen']>().notNull(),
  hiding: text('hiding').$type<PaintRecord['hiding']>().notNull(),
  priceCents: integer('price_cents').notNull(),
  volumeMl: real('volume_ml').notNull(),
  flakeUm: real('flake_um'),
  k: json<number[]>('k'),
  s: json<number[]>('s'),
  provenance: text('provenance').$type<PaintRecord['provenance']>().notNull(),
  uncertainty: real('uncertainty').notNull(),
  /** How the colour that its optics came from was seen: geometry, and gloss where measured. */
  geometry: text('geometry').$type<PaintRecord['geometry']>().notNull().default('unknown'),
  gloss: real('gloss'),
  /** Measured: volume of a drop, ml, and strength against what the optics say. */
  dropMl: real('drop_ml'),
  strength: real('strength'),
  /** What the builder should know of it since it was converted. */
  notice: text('notice').notNull().default(''),
  /** No longer made; what stands on the shelf is the last of it. */
  discontinued: integer('discontinued', { mode: 'boolean' }).notNull().default(false),
  /** Of what the builder told of it, shelf and price included. */
  version: integer('version').notNull().default(1),
  /** Grows with every change of what is sent of it, what readings taught included; kept by triggers. */
  revision: integer('revision').notNull().default(0),
});

export const shelf = sqliteTable('shelf', {
  paintId: text('paint_id')
    .primaryKey()
    .references(() => paints.id, { onDelete: 'cascade' }),
  levelMl: real('level_ml').notNull(),
  /** When that was told, minutes since 1970; null for before it was noted. */
  toldAt: integer('told_at'),
  /** Day, like 2026-05-12. */
  openedOn: text('opened_on'),
  place: text('place').notNull().default(''),
  note: text('note').notNull().default(''),
});

export const codes = sqliteTable('codes', {
  id: text('id').primaryKey(),
  maker: text('maker').notNull(),
  code: text('code').notNull(),
  name: text('name').notNull(),
  years: text('years').notNull(),
  /** Plants that used it and makers of the paint, as far as known. */
  suppliers: text('suppliers').notNull().default(''),
  use: text('use').$type<NonNullable<CodeRecord['use']>>().notNull().default('body'),
  kind: text('kind').$type<CodeRecord['kind']>().notNull(),
  spectrum: json<number[]>('spectrum'),
  angles: text('angles', { mode: 'json' }).$type<NonNullable<CodeRecord['angles']>>(),
  sources: json<CodeRecord['sources']>('sources'),
  /** What the builder should know of it since it was converted. */
  notice: text('notice').notNull().default(''),
  version: integer('version').notNull().default(1),
});

/** Optics of paints refitted to all readings of them; the catalogue's own stay in `paints`. */
export const refits = sqliteTable('refits', {
  paintId: text('paint_id')
    .primaryKey()
    .references(() => paints.id, { onDelete: 'cascade' }),
  k: json<number[]>('k'),
  s: json<number[]>('s'),
  uncertainty: real('uncertainty').notNull(),
  /** Size of its drop against the usual one, and what is left of the doubts of strength and drop (ln). */
  perDrop: real('per_drop').notNull().default(1),
  strengthDoubt: real('strength_doubt').notNull().default(0.08),
  dropDoubt: real('drop_doubt').notNull().default(0.1),
  readings: integer('readings').notNull(),
});

export const builds = sqliteTable('builds', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  subject: text('subject').notNull(),
  scale: integer('scale').$type<BuildRecord['scale']>().notNull(),
  position: integer('position').notNull(),
  version: integer('version').notNull().default(1),
  /** Grows with every change of the build, its sub-assemblies, joins, kit and done steps; kept by triggers. */
  revision: integer('revision').notNull().default(0),
});

export const trays = sqliteTable(
  'trays',
  {
    id: text('id').primaryKey(),
    buildId: text('build_id')
      .notNull()
      .references(() => builds.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    position: integer('position').notNull(),
    areaCm2: real('area_cm2').notNull(),
    substrateId: text('substrate_id').notNull(),
    partIds: json<string[]>('part_ids').default([]),
    layers: json<TrayRecord['layers']>('layers'),
    codeId: text('code_id').references(() => codes.id, { onDelete: 'set null' }),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('trays_by_build').on(table.buildId)],
);

export const joins = sqliteTable(
  'joins',
  {
    id: text('id').primaryKey(),
    buildId: text('build_id')
      .notNull()
      .references(() => builds.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    trayIds: json<JoinRecord['trayIds']>('tray_ids'),
    afterJoinIds: json<JoinRecord['afterJoinIds']>('after_join_ids'),
    minutes: integer('minutes').notNull(),
    adhesive: text('adhesive').notNull(),
    setMinutes: integer('set_minutes').notNull(),
    jointIds: json<string[]>('joint_ids').default([]),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('joins_by_build').on(table.buildId)],
);

/** Parts, joints, versions, evidence and what else describes a kit, and the stock (without a build): one row for
 *  each record, its value read and written whole. */
export const kitItems = sqliteTable(
  'kit_items',
  {
    kind: text('kind').notNull(),
    id: text('id').notNull(),
    buildId: text('build_id').references(() => builds.id, { onDelete: 'cascade' }),
    value: json<Record<string, unknown>>('value'),
    version: integer('version').notNull().default(1),
  },
  (table) => [primaryKey({ columns: [table.kind, table.id] }), index('kit_items_by_build').on(table.buildId)],
);

/** Pictures kept with evidence. */
export const pictures = sqliteTable('pictures', {
  id: text('id').primaryKey(),
  buildId: text('build_id')
    .notNull()
    .references(() => builds.id, { onDelete: 'cascade' }),
  type: text('type').notNull(),
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
  /** Since when no record shows it, minutes since 1970; null where one does. */
  unshownSince: integer('unshown_since'),
});

/** The builder's own font files: their id is drawn from what is in them. */
export const typefaces = sqliteTable('typefaces', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
});

/** Cups of mixed paint. */
export const cups = sqliteTable(
  'cups',
  {
    id: text('id').primaryKey(),
    buildId: text('build_id')
      .notNull()
      .references(() => builds.id, { onDelete: 'cascade' }),
    trayId: text('tray_id').references(() => trays.id, { onDelete: 'set null' }),
    codeId: text('code_id').notNull(),
    name: text('name').notNull(),
    note: text('note').notNull(),
    mixedAt: integer('mixed_at').notNull(),
    drops: json<CupRecord['drops']>('drops'),
    additions: json<CupRecord['additions']>('additions'),
    thrown: integer('thrown', { mode: 'boolean' }).notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('cups_by_build').on(table.buildId)],
);

/** Sprayed and read test pieces: of a cup, or of one paint alone (without a cup). */
export const readings = sqliteTable(
  'readings',
  {
    id: text('id').primaryKey(),
    cupId: text('cup_id').references(() => cups.id, { onDelete: 'cascade' }),
    at: integer('at').notNull(),
    drops: json<ReadingRecord['drops']>('drops'),
    spectrum: json<number[]>('spectrum'),
    spread: real('spread').notNull(),
    filmUm: real('film_um').notNull(),
    over: text('over').$type<ReadingRecord['over']>().notNull(),
    instrument: text('instrument').notNull(),
    geometry: text('geometry').$type<ReadingRecord['geometry']>().notNull().default('unknown'),
    gloss: real('gloss'),
    note: text('note').notNull(),
    aside: integer('aside', { mode: 'boolean' }).notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('readings_by_cup').on(table.cupId)],
);

/** What was done at the bench, one row for each step. */
export const steps = sqliteTable('steps', {
  operationId: text('operation_id').primaryKey(),
  buildId: text('build_id')
    .notNull()
    .references(() => builds.id, { onDelete: 'cascade' }),
  trayId: text('tray_id'),
  title: text('title').notNull(),
  endedAt: integer('ended_at').notNull(),
  minutes: integer('minutes').notNull(),
  note: text('note').notNull(),
  version: integer('version').notNull().default(1),
});

/** One row: air, calendar and units of the bench. */
export const settings = sqliteTable('settings', {
  id: integer('id').primaryKey(),
  conditions: json<SettingsRecord['conditions']>('conditions'),
  calendar: json<SettingsRecord['calendar']>('calendar'),
  preferences: json<SettingsRecord['preferences']>('preferences'),
  version: integer('version').notNull().default(1),
});

/** Plans as they were shown, one row for each that differed from the one before. */
export const planHistory = sqliteTable('plan_history', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  /** Minutes since 1970. */
  at: integer('at').notNull(),
  finish: integer('finish').notNull(),
  starts: json<Record<string, number>>('starts'),
});

/** One row: the counter from which every version and revision of this file is drawn, so that none is given twice, and
 *  the revision before which what a browser holds of the catalogues is of no use. */
export const revisions = sqliteTable('revisions', {
  id: integer('id').primaryKey(),
  value: integer('value').notNull(),
  wholeFrom: integer('whole_from').notNull(),
});

/** What is known of the file itself, by name: the program that wrote it last, when it last looked at the clock. */
export const facts = sqliteTable('facts', {
  name: text('name').primaryKey(),
  value: text('value').notNull(),
});

/** Writes that browsers have named, the newest of them, with what they were answered: one sent again is not done
 *  again. No status: done, but the answer is not known. */
export const writes = sqliteTable('writes', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  key: text('key').notNull().unique(),
  /** Method and address. */
  what: text('what').notNull(),
  status: integer('status'),
  answer: text('answer'),
});

/** What was converted in this file once, by name; minutes since 1970. */
export const conversions = sqliteTable('conversions', {
  name: text('name').primaryKey(),
  at: integer('at').notNull(),
});

/** One row: the plan that the builder has seen last. */
export const plan = sqliteTable('plan', {
  id: integer('id').primaryKey(),
  fingerprint: text('fingerprint').notNull(),
  starts: json<Record<string, number>>('starts'),
  finish: integer('finish').notNull(),
  bound: integer('bound').notNull(),
  setupMinutes: integer('setup_minutes').notNull(),
  proved: integer('proved', { mode: 'boolean' }).notNull(),
  version: integer('version').notNull().default(1),
});
