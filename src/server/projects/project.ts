import type { SewingSettings } from '@/core/assembly';
import type { SpareRules } from '@/core/bags';
import type { ProjectBasting } from '@/core/block';
import type { UnitSystem } from '@/core/length';
import type { ChosenMark } from '@/core/shapes';
import type { Sql } from '../database';
import { notFound } from '../errors';

declare const opened: unique symbol;

/**
 * A project that was found for someone who may read it; only this folder makes one, so that a query of what belongs to a
 * project cannot be asked for by an id that nobody checked.
 */
export interface Project {
  readonly id: string;
  readonly name: string;
  readonly shop: string;
  readonly unitSystem: UnitSystem;
  readonly pageSize: 'A4' | 'Letter';
  readonly allowanceMm: number;
  readonly sparesPercent: number;
  /** Spares of papers that have a rule of their own, by their plain names; null where none has. */
  readonly spareRules: SpareRules | null;
  readonly gridColumns: number;
  /** Marks that the host chose for look-alike papers. */
  readonly marks: readonly ChosenMark[];
  readonly basting: ProjectBasting;
  /** Figures of sewing that the host changed; the others are as the craft has them. */
  readonly sewing: Partial<SewingSettings>;
  /** What renamed cloths were called first, by their names now. */
  readonly clothOrigins: Readonly<Record<string, string>>;
  /** Tells it apart to the compiler; there is nothing there. */
  readonly [opened]: true;
}

/** What a host may change of a project. */
export type ProjectSettings = Omit<
  Project,
  'id' | 'spareRules' | 'marks' | 'basting' | 'clothOrigins' | typeof opened
>;

/** Columns of a project as {@link Project} names them, of a table called p. */
export const PROJECT_COLUMNS = [
  'id',
  'name',
  'shop',
  'unit_system as "unitSystem"',
  'page_size as "pageSize"',
  'allowance_mm as "allowanceMm"',
  'spares_percent as "sparesPercent"',
  `bag_extras->'spares' as "spareRules"`,
  'grid_columns as "gridColumns"',
  'marks',
  'basting',
  'sewing',
  'cloth_origins as "clothOrigins"',
]
  .map((column) => `p.${column}`)
  .join(', ');

/** The project as it is now, for work that found it open already: within a transaction, or behind a maker's link. */
export async function readProject(sql: Sql, { id }: Pick<Project, 'id' | typeof opened>): Promise<Project> {
  const [row] = await sql<Project[]>`select ${sql.unsafe(PROJECT_COLUMNS)} from project p where p.id = ${id}`;
  if (!row) throw notFound('This project');
  return row;
}
