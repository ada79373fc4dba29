import type { HeatThese, HeatTheseAsked } from '#core/renewal/heat-these.ts'
import { hasDial } from '#core/renewal/heat-source.ts'
import { inWhole, THIN } from '#ui/format.ts'
import { degreesText, minutesText } from '#ui/heat-text.ts'
import type { Measures } from '#ui/measures.ts'

/** What is done, in its order; each source has its own. */
export function heatSteps(
  asked: HeatTheseAsked,
  plan: HeatThese,
  measures: Measures,
  name: string,
): string[] {
  const { source, charge, heatedIn } = asked
  const { bed, steps } = plan
  const many =
    bed.batches > 1 ? `Batch by batch, ${bed.batches} of ${measures.weight.text(bed.gramsEach)}. ` : ''
  const spread =
    heatedIn === 'dish'
      ? `${many}Pour them into a ${source.kind === 'microwave' ? 'shallow glass dish' : 'metal or glass dish'}, ${measures.length.text(Math.max(3, Math.round(bed.depthMm)))} deep.`
      : `${many}Leave them in their holder, with air around it.`
  const weigh = 'Weigh them as they come out of the box, before anything else.'
  const cool = 'Cover them while they cool, half an hour; then seal them, or put them back at once.'
  const end = 'Weigh them again: done when half an hour more takes out less than a gram.'
  if (steps)
    return [
      weigh,
      spread,
      `Defrost, about ${inWhole(steps.watts)}${THIN}W, ${steps.stepMinutes} minutes at a time, some ${steps.steps} times: stir and let the steam off in between.`,
      'Stop when no more steam comes, however few the minutes. Stay there.',
      cool,
      'Weigh them: no thermometer tells what a microwave leaves, the scale does.',
    ]
  if (source.kind === 'own heater')
    return [
      weigh,
      'Out of the box, onto a hard surface in the open; plug it in, vents up.',
      `Leave it ${minutesText(plan.minutes.low)} to ${minutesText(plan.minutes.high)}, by its maker’s word first. Unplug it.`,
      'Let it cool, weigh it, and back into its box.',
    ]
  if (source.kind === 'sun')
    return [
      weigh,
      spread,
      'Into full sun on a dark tray, out of the wind, out of reach of children and animals; turn them every half hour.',
      'In before the sun goes: they take the water back in the evening.',
      end,
      'Seal them while they are warm to the hand, no hotter.',
    ]
  return [
    weigh,
    spread,
    `${hasDial(source.kind) ? `Set ${name} to ${degreesText(measures, asked.dialC)} and let it get hot` : 'Let it get hot'}; then put them in.`,
    `${minutesText(plan.minutes.low)} to ${minutesText(plan.minutes.high)}, stirred once${source.kind === 'gas' || source.kind === 'electric' ? ', window open' : ''}.`,
    end,
    cool,
    ...(charge.holder === 'packet' && heatedIn === 'holder'
      ? ['A packet that has browned, or whose seam has opened, goes no more.']
      : []),
  ]
}

/** A kind of source that stands for one nobody entered. */
