import type { FormErrors } from '@mantine/form'
import type { FirstUseForm } from './first-use-form.ts'

/** What every screen is given. */
export interface StepProps {
  readonly form: FirstUseForm
  readonly errors: FormErrors
  readonly set: (part: Partial<FirstUseForm>) => void
}
