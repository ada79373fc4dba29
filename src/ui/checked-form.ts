import { schemaResolver, useForm, type UseFormReturnType } from '@mantine/form'
import type { FormEvent, ReactNode } from 'react'
import * as v from 'valibot'

/** What a check makes of what was typed: what is kept, or a message at each field that does not fit. */
export type Checked<Typed, Kept> =
  | { readonly ok: true; readonly kept: Kept }
  | { readonly ok: false; readonly errors: Partial<Record<keyof Typed & string, string>> }

/** A field as it is kept; one message, with the remedy, for whatever is wrong with it. */
export const typedField = <Kept>(
  field: v.GenericSchema<unknown, Kept>,
  message: string,
  read: (text: string) => unknown = text => text,
) =>
  v.pipe(
    v.string(),
    v.rawTransform<string, Kept>(({ dataset, addIssue, NEVER }) => {
      const parsed = v.safeParse(field, read(dataset.value))
      if (parsed.success) return parsed.output
      addIssue({ message })
      return NEVER
    }),
  )

/** A schema of a check that looks at several fields together. */
const checkedBy = <Typed extends object, Kept>(check: (typed: Typed) => Checked<Typed, Kept>) =>
  v.pipe(
    v.custom<Typed>(value => typeof value === 'object' && value !== null),
    v.rawTransform<Typed, Kept>(({ dataset, addIssue, NEVER }) => {
      const checked = check(dataset.value)
      if (checked.ok) return checked.kept
      for (const [key, message] of Object.entries(checked.errors))
        addIssue({
          message: String(message),
          path: [
            {
              type: 'object',
              origin: 'value',
              input: dataset.value as Record<string, unknown>,
              key,
              value: (dataset.value as Record<string, unknown>)[key],
            },
          ],
        })
      return NEVER
    }),
  )

/** One value of a form, for a field that is not a plain input. */
interface FieldProps<Value> {
  readonly value: Value
  readonly onChange: (value: Value) => void
  readonly error: ReactNode
}

type CheckedForm<Typed, Kept> = UseFormReturnType<Typed & Record<string, unknown>> & {
  /** Takes what is typed, once it fits. */
  readonly onKeep: (keep: (kept: Kept) => void) => (event?: FormEvent<HTMLFormElement>) => void
  readonly valueOf: <Name extends keyof Typed & string>(name: Name) => FieldProps<Typed[Name]>
}

/** A form: what is typed, and a schema that says what it means. Errors stand at their field until it is touched. */
export function useSchemaForm<Typed extends object, Kept>(
  initialValues: Typed,
  schema: v.GenericSchema<NoInfer<Typed>, Kept>,
  onTyped?: () => void,
): CheckedForm<Typed, Kept> {
  const form = useForm<Typed & Record<string, unknown>>({
    initialValues: initialValues as Typed & Record<string, unknown>,
    validate: schemaResolver(schema, { sync: true }),
    ...(onTyped ? { onValuesChange: onTyped } : {}),
  })
  return {
    ...form,
    onKeep: keep => form.onSubmit(typed => keep(v.parse(schema, typed))),
    valueOf: name => form.getInputProps(name) as FieldProps<Typed[typeof name]>,
  }
}

/** The same with a check that looks at several fields together. */
export const useCheckedForm = <Typed extends object, Kept>(
  initialValues: Typed,
  check: (typed: NoInfer<Typed>) => Checked<NoInfer<Typed>, Kept>,
  onTyped?: () => void,
): CheckedForm<Typed, Kept> => useSchemaForm(initialValues, checkedBy<Typed, Kept>(check), onTyped)
