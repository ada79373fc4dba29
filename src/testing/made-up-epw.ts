/** A made-up year of weather on a made-up fell, in the EPW format: for tests and for trying it out. */
export function madeUpEpw(): string {
  const headings = [
    'LOCATION,Nowhere Fell,-,NON,made up,999999,60.10,5.20,1.0,340.0',
    'DESIGN CONDITIONS,0',
    'TYPICAL/EXTREME PERIODS,0',
    'GROUND TEMPERATURES,0',
    'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
    'COMMENTS 1,made up',
    'COMMENTS 2,made up',
    'DATA PERIODS,1,1,Data,Sunday, 1/ 1,12/31',
  ]
  const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  const hours: string[] = []
  let passed = 0
  days.forEach((count, month) => {
    for (let day = 1; day <= count; day++)
      for (let hour = 1; hour <= 24; hour++) {
        const ofYear = passed / 8760
        const warmth = 7 - 8 * Math.cos(2 * Math.PI * (ofYear - 0.05))
        const swing = 3.5 * Math.cos((2 * Math.PI * (hour - 15)) / 24)
        const dryBulb = warmth + swing + 1.5 * Math.sin(passed / 37)
        const humidity = Math.min(100, Math.max(30, 80 - 2.2 * swing + 6 * Math.sin(passed / 51)))
        const rest = Array.from({ length: 26 }, () => '0').join(',')
        hours.push(
          `2001,${month + 1},${day},${hour},60,made-up,${dryBulb.toFixed(1)},0.0,${humidity.toFixed(0)},${rest}`,
        )
        passed++
      }
  })
  return [...headings, ...hours].join('\n')
}
