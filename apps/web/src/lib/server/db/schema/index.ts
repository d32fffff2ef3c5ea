/** Tables. Documents are kept whole and read by the core on the way out; columns are what queries ask for. */
import { cutIds, practiceKinds, shelfKinds } from '@hulvek/core';
import { heatProblems, heatRunStates } from '../../../contract/heat.ts';
import { lookRules, roles } from '../../../contract/rights.ts';
import { auditActions, taskKinds, taskStates, tokenKinds } from '../../../contract/doors.ts';
import {
  bigint,
  bigserial,
  boolean,
  customType,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  real,
  text,
  timestamp,
  uniqueIndex,
  uuid,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core';

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
const at = (name: string) => timestamp(name, { withTimezone: true, precision: 3, mode: 'date' });

export const users = pgTable('users', {
  id: uuid('id').primaryKey().defaultRandom(),
  email: text('email').notNull().unique(),
  name: text('name').notNull(),
  passwordHash: text('password_hash').notNull(),
  /** May write on the shelf that all jobs take from. */
  keepsShelf: boolean('keeps_shelf').notNull().default(false),
  /** What this person reads lengths and all other figures in; null goes by each job. */
  reads: text('reads', { enum: ['mm', 'in'] }),
  createdAt: at('created_at').notNull().defaultNow(),
});

export const sessions = pgTable(
  'sessions',
  {
    /** SHA-256 of the cookie's token: the table alone signs nobody in. */
    tokenHash: text('token_hash').primaryKey(),
    userId: uuid('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    expiresAt: at('expires_at').notNull(),
    /** What it is called where sessions are listed. */
    id: uuid('id').notNull().defaultRandom(),
    createdAt: at('created_at').notNull().defaultNow(),
    /** What the browser called itself. */
    agent: text('agent').notNull().default(''),
  },
  (table) => [index('sessions_user').on(table.userId)],
);

/**
 * Whom records that came in with a file name, and who brought them. Records hold ids only, of accounts or of these: names
 * live in `users` and here, so that somebody can be forgotten while what was recorded stays.
 */
export const brought = pgTable(
  'brought',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    /** The account that brought the file; none for what came with the program, or from before this was kept. */
    userId: uuid('user_id'),
    file: text('file').notNull().default(''),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('brought_job').on(table.jobId)],
);

/** Who made a record: an account, or somebody named in a file. */
const maker = { userId: uuid('user_id'), broughtId: uuid('brought_id') };

/** What a device says of every record it makes, and by how much its clock was slow when it sent it. */
const envelope = {
  device: uuid('device'),
  /** The device's own counter. */
  count: integer('count'),
  /** SHA-256 of what the device made before; empty until records are signed. */
  previous: text('previous'),
  salts: jsonb('salts'),
  clock_s: integer('clock_s'),
  app: text('app'),
};

export const jobs = pgTable('jobs', {
  id: text('id').primaryKey(),
  document: jsonb('document').notNull(),
  walls: jsonb('walls').notNull(),
  units: jsonb('units').notNull(),
  methods: jsonb('methods').notNull(),
  materials: jsonb('materials').notNull().default([]),
  /** Who may look at a hold point. */
  lookRule: text('look_rule', { enum: lookRules }).notNull().default('not-the-doer'),
  /** Counts everything that was stored in the job, so that a device knows whether it missed something. */
  revision: integer('revision').notNull().default(0),
  createdAt: at('created_at').notNull().defaultNow(),
  /** When somebody deleted it: nobody opens it any more, and after a while it is gone. */
  deletedAt: at('deleted_at'),
  /** When somebody put it away: it stands apart in lists, and nothing in it is locked. */
  archivedAt: at('archived_at'),
});

/** What a job's own walls, units, methods and materials were, every time one changed. Only ever added. */
export const jobItemVersions = pgTable(
  'job_item_versions',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    kind: text('kind', { enum: shelfKinds }).notNull(),
    id: text('id').notNull(),
    version: integer('version').notNull(),
    /** None where it was taken out of the job. */
    document: jsonb('document'),
    /** None for what was there before anybody changed it. */
    userId: uuid('user_id'),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.kind, table.id, table.version] })],
);

/** The shelf that all jobs take from: every version of every item, only ever added. */
export const shelfVersions = pgTable(
  'shelf_versions',
  {
    kind: text('kind', { enum: shelfKinds }).notNull(),
    id: text('id').notNull(),
    version: integer('version').notNull(),
    document: jsonb('document').notNull(),
    /** None for what came with the program. */
    userId: uuid('user_id'),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.kind, table.id, table.version] })],
);

export const members = pgTable(
  'members',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    userId: uuid('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    role: text('role', { enum: roles }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.userId] }), index('members_user').on(table.userId)],
);

/** Links that let somebody do one thing: what they are for, until when, used or revoked. */
export const tokens = pgTable(
  'tokens',
  {
    /** SHA-256 of the secret in the link. */
    hash: text('hash').primaryKey(),
    /** What it is called where links are listed. */
    id: uuid('id').notNull().defaultRandom(),
    kind: text('kind', { enum: tokenKinds }).notNull(),
    jobId: text('job_id').references(() => jobs.id, { onDelete: 'cascade' }),
    role: text('role', { enum: roles }),
    /** The account it is for, where it is for one. */
    userId: uuid('user_id').references(() => users.id, { onDelete: 'cascade' }),
    /** The account that made it. */
    madeBy: uuid('made_by'),
    madeAt: at('made_at').notNull().defaultNow(),
    expiresAt: at('expires_at').notNull(),
    usedAt: at('used_at'),
    revokedAt: at('revoked_at'),
    /** What it tells, where it is a link that tells something: as it was when it was made. */
    tells: jsonb('tells'),
  },
  (table) => [index('tokens_job').on(table.jobId)],
);

/** Whoever said by a link to have read a notice: a name that nobody checked. Only ever added. */
export const acknowledgements = pgTable(
  'acknowledgements',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    tokenId: uuid('token_id').notNull(),
    /** Whom it was for, as the link told it. */
    toWhom: text('to_whom').notNull(),
    said: text('said').notNull(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('acknowledgements_job').on(table.jobId)],
);

/**
 * Logs of other installations that came with a package: as they came, with the manifest that signs them. What was brought of them
 * has a chain of its own here; these say what it was there. Only ever added.
 */
export const foreignLogs = pgTable(
  'foreign_logs',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    /** The account that brought it. */
    userId: uuid('user_id'),
    file: text('file').notNull(),
    log: text('log').notNull(),
    manifest: text('manifest').notNull(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('foreign_logs_job').on(table.jobId)],
);

/** Packages on their way in: read by whoever brings them, and gone after a day. */
export const packages = pgTable(
  'packages',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    userId: uuid('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    size_bytes: bigint('size_bytes', { mode: 'number' }).notNull(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('packages_user').on(table.userId)],
);

/** A package in parts, in the order in which they follow each other. */
export const packageParts = pgTable(
  'package_parts',
  {
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    from_bytes: bigint('from_bytes', { mode: 'number' }).notNull(),
    bytes: bytea('bytes').notNull(),
  },
  (table) => [primaryKey({ columns: [table.packageId, table.from_bytes] })],
);

/** What somebody asks who was shared a job by link, and what was answered. */
export const questions = pgTable(
  'questions',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    /** Of an opening; of the whole job without it. */
    openingId: text('opening_id'),
    tokenId: uuid('token_id').notNull(),
    /** Whom the link was made for. */
    toWhom: text('to_whom').notNull(),
    question: text('question').notNull(),
    at: at('at').notNull().defaultNow(),
    answer: text('answer'),
    answeredBy: uuid('answered_by'),
    answeredAt: at('answered_at'),
  },
  (table) => [index('questions_job').on(table.jobId)],
);

/** Tries to get in, by what they are counted under; kept as long as they count. */
export const tries = pgTable(
  'tries',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    /** SHA-256 of account, address or both: the table names nobody. */
    key: text('key').notNull(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('tries_key').on(table.key, table.at)],
);

/** Who was given which right, got in or did not, took data out. Only ever added. */
export const audit = pgTable(
  'audit',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: at('at').notNull().defaultNow(),
    action: text('action', { enum: auditActions }).notNull(),
    userId: uuid('user_id'),
    jobId: text('job_id'),
    /** The account, role or link that it is about. */
    about: text('about').notNull().default(''),
  },
  (table) => [index('audit_job').on(table.jobId, table.at)],
);

/** What takes longer than an answer may: asked for by somebody, done beside the server. */
export const tasks = pgTable(
  'tasks',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    userId: uuid('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    kind: text('kind', { enum: taskKinds }).notNull(),
    state: text('state', { enum: taskStates }).notNull().default('waiting'),
    /** 0 to 1. */
    share: real('share').notNull().default(0),
    /** Last sign of life of whoever does it. */
    seenAt: at('seen_at').notNull().defaultNow(),
    name: text('name').notNull().default(''),
    result: jsonb('result'),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('tasks_user').on(table.userId)],
);

/** What came of a task, for as long as the task is kept: in parts, in the order in which they follow each other. */
export const taskFiles = pgTable(
  'task_files',
  {
    taskId: uuid('task_id')
      .notNull()
      .references(() => tasks.id, { onDelete: 'cascade' }),
    part: integer('part').notNull(),
    bytes: bytea('bytes').notNull(),
  },
  (table) => [primaryKey({ columns: [table.taskId, table.part] })],
);

const ofOpening = (table: { jobId: AnyPgColumn; openingId: AnyPgColumn }) =>
  foreignKey({
    columns: [table.jobId, table.openingId],
    foreignColumns: [openings.jobId, openings.id],
  }).onDelete('cascade');

export const openings = pgTable(
  'openings',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    id: text('id').notNull(),
    position: integer('position').notNull(),
    /** The newest of its versions: a save names the version it started from. */
    version: integer('version').notNull().default(1),
    /** The job's revision when anything of it was stored last. */
    revision: integer('revision').notNull().default(0),
    /** The same of its frozen plans: they are by far the most of it, and are sent to whoever does not have them. */
    planned: integer('planned').notNull().default(0),
    /** Out of sight since then, with everything that was recorded there, until it is put back. */
    removedAt: at('removed_at'),
    removedBy: uuid('removed_by').references(() => users.id, { onDelete: 'set null' }),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.id] })],
);

/** What was chosen for an opening, every time it changed. Only ever added. */
export const openingVersions = pgTable(
  'opening_versions',
  {
    jobId: text('job_id').notNull(),
    openingId: text('opening_id').notNull(),
    version: integer('version').notNull(),
    document: jsonb('document').notNull(),
    ...maker,
    at: at('at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.openingId, table.version] }), ofOpening(table)],
);

/** Figures read at an opening. Only ever added; a later one names those it replaces. */
export const readings = pgTable(
  'readings',
  {
    /** Made by the device, so that sending twice stores once. */
    id: uuid('id').primaryKey(),
    jobId: text('job_id').notNull(),
    openingId: text('opening_id').notNull(),
    point: text('point').notNull(),
    seenFrom: text('seen_from').notNull(),
    value: jsonb('value'),
    replaces: jsonb('replaces').notNull(),
    instrument: text('instrument').notNull(),
    ...maker,
    ...envelope,
    /** As the device said. */
    at: at('at'),
    receivedAt: at('received_at').notNull().defaultNow(),
    /** The order in which readings were taken. */
    seq: bigserial('seq', { mode: 'number' }).notNull(),
  },
  (table) => [index('readings_opening').on(table.jobId, table.openingId), ofOpening(table)],
);

export const planIssues = pgTable(
  'plan_issues',
  {
    jobId: text('job_id').notNull(),
    openingId: text('opening_id').notNull(),
    version: integer('version').notNull(),
    /** Without who froze it. */
    document: jsonb('document').notNull(),
    ...maker,
  },
  (table) => [primaryKey({ columns: [table.jobId, table.openingId, table.version] }), ofOpening(table)],
);

/** Field records: only ever added. A trigger refuses to change or delete a row while its job exists. */
export const entries = pgTable(
  'entries',
  {
    /** Made by the device, so that sending twice stores once. */
    id: uuid('id').primaryKey(),
    jobId: text('job_id').notNull(),
    openingId: text('opening_id').notNull(),
    issue: integer('issue').notNull(),
    kind: text('kind').notNull(),
    step: text('step').notNull(),
    undoes: uuid('undoes'),
    ...maker,
    ...envelope,
    /** As the device said. */
    at: at('at').notNull(),
    receivedAt: at('received_at').notNull().defaultNow(),
    note: text('note').notNull(),
    photo: jsonb('photo'),
    built: jsonb('built'),
    facts: jsonb('facts'),
    /** The order in which entries were taken: what one device sent is told in the order in which it was entered. */
    seq: bigserial('seq', { mode: 'number' }).notNull(),
  },
  (table) => [
    index('entries_opening').on(table.jobId, table.openingId),
    foreignKey({
      columns: [table.jobId, table.openingId, table.issue],
      foreignColumns: [planIssues.jobId, planIssues.openingId, planIssues.version],
    }).onDelete('cascade'),
  ],
);

/** Receipts of a job's entries, each hanging on the one before: what was there, in which order, is there unchanged. */
export const receipts = pgTable(
  'receipts',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    seq: integer('seq').notNull(),
    /** Of an entry; empty where the key changed. */
    entryId: uuid('entry_id').references(() => entries.id, { onDelete: 'cascade' }),
    /** The key that signs from here on, base64; empty for entries. */
    key: text('key'),
    digest: text('digest').notNull(),
    received: at('received').notNull(),
    by: text('by').notNull(),
    head: text('head').notNull(),
    salts: jsonb('salts').notNull(),
    /** Made in one go, for entries from before there were receipts. */
    firstBlock: boolean('first_block').notNull().default(false),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.seq] }),
    uniqueIndex('receipts_entry').on(table.entryId),
  ],
);

/** Pictures, under the id of their entry. */
export const photos = pgTable('photos', {
  id: uuid('id')
    .primaryKey()
    .references(() => entries.id, { onDelete: 'cascade' }),
  bytes: bytea('bytes').notNull(),
});

/** A whole job's heat, asked for once. */
export const heatRuns = pgTable(
  'heat_runs',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    /** `planning` until its sides are known. */
    state: text('state', { enum: heatRunStates }).notNull().default('planning'),
    userId: uuid('user_id'),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('heat_runs_job').on(table.jobId, table.at)],
);

/** The sides of a run, each with the content it comes down to, or why it has none. */
export const heatSides = pgTable(
  'heat_sides',
  {
    runId: uuid('run_id')
      .notNull()
      .references(() => heatRuns.id, { onDelete: 'cascade' }),
    openingId: text('opening_id').notNull(),
    cut: text('cut', { enum: cutIds }).notNull(),
    /** Fingerprint of the opening it was cut from, so that a later change shows. */
    opening: text('opening').notNull(),
    content: text('content'),
    leftOut: jsonb('left_out').notNull().default([]),
    problem: text('problem', { enum: heatProblems }),
  },
  (table) => [
    primaryKey({ columns: [table.runId, table.openingId, table.cut] }),
    index('heat_sides_content').on(table.content),
  ],
);

/** Solved sides by the SHA-256 of their content: disposable, and never changed. */
export const heatResults = pgTable('heat_results', {
  content: text('content').primaryKey(),
  side: jsonb('side'),
  problem: text('problem', { enum: heatProblems }),
  worker: text('worker').notNull(),
  solvedAt: at('solved_at').notNull().defaultNow(),
});

/** The verdict of every opening as it was last judged: disposable, made again whenever its mark or engine differs. */
export const judgements = pgTable(
  'judgements',
  {
    jobId: text('job_id').notNull(),
    openingId: text('opening_id').notNull(),
    /** Of the opening in its job, see `judgeMark`. */
    mark: text('mark').notNull(),
    /** SHA-256 of the code that judged. */
    engine: text('engine').notNull(),
    /** Whether it meets another opening of its façade. */
    collides: boolean('collides').notNull(),
    judgement: jsonb('judgement').notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.openingId] }), ofOpening(table)],
);

/** What somebody answered in practice: theirs, of no job. Skills are worked out of it and kept nowhere. */
export const practiceAnswers = pgTable(
  'practice_answers',
  {
    /** Made by the device, so that a second sending adds nothing. */
    id: uuid('id').primaryKey(),
    userId: uuid('user_id')
      .notNull()
      .references(() => users.id, { onDelete: 'cascade' }),
    kind: text('kind', { enum: practiceKinds }).notNull(),
    level: integer('level').notNull(),
    seed: integer('seed').notNull(),
    isRight: boolean('is_right').notNull(),
    at: at('at').notNull(),
  },
  (table) => [index('practice_answers_user').on(table.userId, table.at)],
);

/** Who lets the leads of a job see their skills; it ends with the membership. */
export const practiceSharing = pgTable(
  'practice_sharing',
  { jobId: text('job_id').notNull(), userId: uuid('user_id').notNull() },
  (table) => [
    primaryKey({ columns: [table.jobId, table.userId] }),
    foreignKey({
      columns: [table.jobId, table.userId],
      foreignColumns: [members.jobId, members.userId],
    }).onDelete('cascade'),
  ],
);

/** Rounds that a lead made of a job's openings for those who will work on them. */
export const practiceRounds = pgTable(
  'practice_rounds',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    madeBy: uuid('made_by').references(() => users.id, { onDelete: 'set null' }),
    title: text('title').notNull(),
    tasks: jsonb('tasks').notNull(),
    madeAt: at('made_at').notNull().defaultNow(),
  },
  (table) => [index('practice_rounds_job').on(table.jobId)],
);
