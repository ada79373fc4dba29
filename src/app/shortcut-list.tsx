import { Dialog } from '#ui/dialog.tsx'
import { SHORTCUTS } from './shortcuts.ts'
import css from './shell.module.css'
import hand from '#ui/hand.module.css'

/** The keys, by where they work. */
export default function ShortcutList({ close }: { readonly close: () => void }) {
  const places = [...new Set(SHORTCUTS.map(item => item.where))]
  return (
    <Dialog onClose={close} title="Keys" size="lg">
      <div className={css.keyList} data-part="key-list">
        {places.map(where => (
          <section key={where}>
            <h2 className={hand.section}>{where}</h2>
            <dl>
              {SHORTCUTS.filter(item => item.where === where).map(({ keys, does }) => (
                <div key={keys}>
                  <dt>
                    {keys.split(', ').map(key => (
                      <kbd key={key}>{key}</kbd>
                    ))}
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  )
}
