import { lazy, Suspense, type ComponentType, type ReactNode } from 'react'

/** A dialog loaded when it is first opened: the first page does not wait for it. */
export function later<Props extends object>(
  load: () => Promise<{ default: ComponentType<Props> }>,
): (props: Props) => ReactNode {
  const Loaded = lazy(load)
  return function Later(props: Props) {
    return (
      <Suspense fallback={null}>
        <Loaded {...props} />
      </Suspense>
    )
  }
}
