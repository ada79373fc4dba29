import { MATERIAL_IDS, type Material, type MaterialId } from './material.ts'

type Row = [
  target: number,
  c50: number,
  cSat: number,
  clean: number,
  trouble: number | null,
  d23: number,
  ea: number,
  density: number,
  dryAtC: [number, number],
  dryH: [number, number],
  neverAboveC: number,
]

/** Typical published values recalled from memory; "trouble above" is fitted to common practice. */
const ROWS: Record<MaterialId, Row> = {
  PLA: [25, 0.4, 0.9, 0.1, 0.45, 3.5e-12, 40, 1240, [45, 50], [4, 6], 55],
  PETG: [20, 0.22, 0.6, 0.06, 0.2, 1.5e-12, 45, 1270, [60, 65], [6, 6], 70],
  PET: [15, 0.25, 0.55, 0.03, 0.15, 7e-13, 43, 1340, [75, 80], [8, 8], 85],
  'PET-CF': [15, 0.25, 0.55, 0.03, 0.15, 7e-13, 43, 1340, [75, 80], [8, 8], 85],
  ABS: [25, 0.22, 0.95, 0.1, 0.3, 3e-12, 35, 1040, [70, 80], [4, 4], 90],
  ASA: [25, 0.35, 1.65, 0.1, 0.45, 3e-12, 35, 1070, [70, 80], [4, 4], 90],
  HIPS: [30, 0.05, 0.12, 0.05, 0.1, 1.5e-11, 35, 1040, [65, 70], [4, 4], 80],
  PC: [15, 0.12, 0.3, 0.02, 0.06, 4.5e-12, 27, 1200, [100, 110], [6, 6], 120],
  TPU: [15, 0.5, 1.2, 0.05, 0.165, 1e-11, 35, 1200, [50, 60], [6, 8], 65],
  PA6: [10, 3, 9.5, 0.2, 0.55, 4e-13, 55, 1140, [80, 90], [8, 12], 95],
  PA66: [10, 2.6, 8.5, 0.2, 0.55, 4e-13, 55, 1140, [80, 90], [8, 12], 95],
  'PA6-CF': [10, 2.3, 7, 0.2, 0.45, 4e-13, 55, 1170, [80, 90], [8, 12], 100],
  'PA6-GF': [10, 2.3, 7, 0.2, 0.45, 4e-13, 55, 1170, [80, 90], [8, 12], 100],
  PA12: [15, 0.7, 1.5, 0.1, 0.35, 5e-13, 50, 1020, [80, 80], [8, 8], 90],
  PA11: [15, 0.9, 1.9, 0.1, 0.45, 5e-13, 50, 1020, [80, 80], [8, 8], 90],
  PVA: [10, 7, 25, 0.5, 1.8, 1e-13, 60, 1250, [45, 55], [8, 10], 60],
  BVOH: [10, 6, 25, 0.5, 1.5, 1e-13, 60, 1140, [55, 55], [6, 8], 65],
  PP: [40, 0.01, 0.03, 0.05, null, 1e-11, 40, 900, [55, 55], [6, 6], 70],
  PEEK: [15, 0.2, 0.45, 0.05, 0.12, 5e-13, 45, 1300, [120, 150], [4, 4], 160],
  PEI: [15, 0.55, 1.25, 0.02, 0.3, 3e-12, 35, 1270, [130, 150], [6, 6], 160],
}

const material = (id: MaterialId): Material => {
  const [target, c50, cSat, clean, trouble, d23, ea, density, dryAtC, dryForHours, neverAboveC] = ROWS[id]
  return {
    id,
    name: id,
    targetRhPercent: target,
    moistureAt50Percent: c50,
    saturatedMoisturePercent: cSat,
    cleanBelowPercent: clean,
    troubleAbovePercent: trouble,
    diffusivityAt23M2PerS: d23,
    activationEnergyKJPerMol: ea,
    densityKgPerM3: density,
    dryAtC,
    dryForHours,
    neverAboveC,
    provenance: 'memory',
  }
}

export const MATERIALS = Object.fromEntries(MATERIAL_IDS.map(id => [id, material(id)])) as Readonly<
  Record<MaterialId, Material>
>
