import { expect } from '@jest/globals'
import { fireEvent, waitFor } from '@testing-library/react'
import { disagreement } from './recompute.ts'

/** Opens every figure of the page to its reason and works it out again from what is shown. @returns how many there were */
export async function everyFigureAgrees(within = '[data-quantity]'): Promise<number> {
  const figures = document.querySelectorAll<HTMLElement>(within)
  for (const figure of figures) {
    fireEvent.click(figure)
    const note = await waitFor(() => {
      const found = document.querySelector<HTMLElement>('[data-why]')
      expect(found).not.toBeNull()
      return found!
    })
    const text = (selector: string) => note.querySelector(selector)?.textContent ?? ''
    const shown = {
      formula: note.dataset['formula'] ?? '',
      result: text('[data-result]'),
      inputs: Object.fromEntries(
        [...note.querySelectorAll<HTMLElement>('[data-symbol]')].map(item => [
          item.dataset['symbol'] ?? '',
          item.querySelector('[data-input-value]')?.textContent ?? '',
        ]),
      ),
    }
    expect([figure.dataset['quantity'], disagreement(shown)]).toEqual([figure.dataset['quantity'], null])
    fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Escape' })
    await waitFor(() => expect(document.querySelector('[data-why]')).toBeNull())
  }
  return figures.length
}
