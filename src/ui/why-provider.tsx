import { useEffect, useState, type ReactNode } from 'react'
import type { Answer } from '#core/answer.ts'
import { later } from './later.tsx'
import { WhyContext } from './why-context.ts'

const WhyDrawer = later(() => import('./why-drawer.tsx'))

const isWhyStep = (): boolean => (window.history.state as { why?: boolean } | null)?.why === true

/**
 * Any figure's reason, opened beside the page; Escape gives the focus back. An open note is a step of its own in the
 * browser's history: Back closes it, and leaves the page where it was.
 */
export function WhyProvider({ zone, children }: { readonly zone: string; readonly children: ReactNode }) {
  const [answer, setAnswer] = useState<Answer | null>(null)
  const [wasAsked, setWasAsked] = useState(false)
  const ask = (asked: Answer) => {
    if (!isWhyStep()) window.history.pushState({ ...(window.history.state as object | null), why: true }, '')
    setAnswer(asked)
    setWasAsked(true)
  }
  const isOpen = answer !== null
  useEffect(() => {
    if (!isOpen) return
    const goneBack = () => !isWhyStep() && setAnswer(null)
    window.addEventListener('popstate', goneBack)
    return () => window.removeEventListener('popstate', goneBack)
  }, [isOpen])
  const close = () => {
    setAnswer(null)
    if (isWhyStep()) window.history.back()
  }
  return (
    <WhyContext value={ask}>
      {children}
      {wasAsked && <WhyDrawer answer={answer} zone={zone} close={close} leave={() => setAnswer(null)} />}
    </WhyContext>
  )
}
