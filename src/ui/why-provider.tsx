import { useState, type ReactNode } from 'react'
import type { Answer } from '#core/answer.ts'
import { later } from './later.tsx'
import { WhyContext } from './why-context.ts'

const WhyDrawer = later(() => import('./why-drawer.tsx'))

/** Any figure's reason, opened beside the page; Escape gives the focus back. */
export function WhyProvider({ zone, children }: { readonly zone: string; readonly children: ReactNode }) {
  const [answer, setAnswer] = useState<Answer | null>(null)
  const [wasAsked, setWasAsked] = useState(false)
  const ask = (asked: Answer | null) => {
    setAnswer(asked)
    if (asked) setWasAsked(true)
  }
  return (
    <WhyContext value={ask}>
      {children}
      {wasAsked && <WhyDrawer answer={answer} zone={zone} close={() => setAnswer(null)} />}
    </WhyContext>
  )
}
