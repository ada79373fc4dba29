import { useQuery } from '@tanstack/react-query'
import { canAnnounce } from '#store/announcer.ts'
import { hasLocks } from '#store/lock.ts'
import { isPersistent } from '#store/persistence.ts'

/** What this browser's storage is weaker in than it could be; nothing where nothing is. */
export function StorageLine() {
  const { data: persistent } = useQuery({
    queryKey: ['persistent'],
    networkMode: 'always',
    retry: false,
    queryFn: isPersistent,
  })
  const weak = [
    ...(persistent === false
      ? ['This browser may clear a site it has not seen for long: a saved file is the safe copy.']
      : []),
    ...(persistent === null
      ? ['This browser does not say whether it clears data by itself: save a file now and then.']
      : []),
    ...(hasLocks() && canAnnounce()
      ? []
      : [
          'Its tabs can’t hear each other: keep Veld open in one tab; nothing is lost, but another tab shows it late.',
        ]),
  ]
  return <>{weak.join(' ')}</>
}
