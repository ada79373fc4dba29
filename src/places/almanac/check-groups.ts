import type { CheckGroup } from '#core/checks/run-check.ts'
import air from '../../../docs/cases/air.json' with { type: 'json' }
import box from '../../../docs/cases/box.json' with { type: 'json' }
import container from '../../../docs/cases/container.json' with { type: 'json' }
import desiccant from '../../../docs/cases/desiccant.json' with { type: 'json' }
import filament from '../../../docs/cases/filament.json' with { type: 'json' }

/** The very cases the tests run. */
export const CHECK_GROUPS = [air, desiccant, filament, container, box] as unknown as readonly CheckGroup[]
