import type { School } from '#core/spool/dry-these.ts'
import type { MaterialId } from '#core/filament/material.ts'
import type { MaterialValue } from '#records/kinds/value.ts'
import type { Contradicting } from './contradicting.ts'
import type {
  BoxRecord,
  ChargeRecord,
  CheckRecord,
  Contradicted,
  HeatSourceRecord,
  InstrumentRecord,
  OvenPlanTold,
  PlanRecord,
  ReadingRecord,
  RoomRecord,
  ScaleRecord,
  SessionRecord,
  DryingRunRecord,
  SpoolRecord,
  Warming,
} from './state.ts'

/** The state while it is being folded. */
export interface Building {
  rooms: Map<string, RoomRecord>
  boxes: Map<string, BoxRecord>
  charges: Map<string, ChargeRecord>
  spools: Map<string, SpoolRecord>
  dryingRuns: Map<string, DryingRunRecord>
  instruments: Map<string, InstrumentRecord>
  scales: Map<string, ScaleRecord>
  heatSources: Map<string, HeatSourceRecord>
  sessions: Map<string, SessionRecord>
  plans: Map<string, PlanRecord>
  ovenPlan: OvenPlanTold
  checks: CheckRecord[]
  warmings: Warming[]
  readings: ReadingRecord[]
  overrides: Map<MaterialId, Partial<Record<MaterialValue, number>>>
  /** How hot to dry, by material or spool. */
  schools: Map<string, School>
  contradictions: Contradicted[]
  readonly says: Contradicting
}

/** Why an entry can't apply. */
export type Problem = Omit<Contradicted, 'entryId'>
