import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import css from './preferences.module.css'
import hand from '#ui/hand.module.css'

/** The file goes with the app, and is kept for use without a network like the rest of it. */
const read = async (): Promise<string> => {
  const response = await fetch('./licences.txt')
  if (!response.ok) throw new Error(`the file did not come (${response.status})`)
  return response.text()
}

/** Whose work Veld is made with, and under which licences. */
export function Licences() {
  const [isOpen, setOpen] = useState(false)
  const { data, error } = useQuery({
    queryKey: ['licences'],
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    enabled: isOpen,
    queryFn: read,
  })
  return (
    <details className={css.licences} onToggle={event => setOpen(event.currentTarget.open)}>
      <summary>What Veld is made with, and its licences</summary>
      {error && (
        <p className={hand.notice} role="alert">
          They could not be read: {error.message}. They lie beside the app as licences.txt.
        </p>
      )}
      {data !== undefined && (
        // reached by keys, so that it can be scrolled by them
        <pre tabIndex={0} aria-label="Licences">
          {data}
        </pre>
      )}
    </details>
  )
}
