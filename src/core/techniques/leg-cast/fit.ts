import type { FitTest } from '../../model/plan'

/** What to look at on the finished cast. */
export function legCastFit(isLong: boolean): readonly FitTest[] {
  return [
    { id: 'toes-seen', text: 'All toes seen', why: 'They are the window for every round.', remedy: 'Trim the end back.', where: ['toe'] },
    {
      id: 'edges',
      text: 'Edges padded all round',
      why: 'A bare edge cuts.',
      remedy: 'Turn back and tape down.',
      where: ['toe', 'below-knee'],
    },
    ...(isLong
      ? [
          {
            id: 'knee-crack',
            text: 'No crack or crease at the knee',
            why: 'It breaks there first.',
            remedy: 'Reinforce with crossing turns, or make it again.',
            where: ['knee'],
          },
          {
            id: 'knee-angle',
            reads: 'knee' as const,
            text: 'Knee angle measured',
            why: 'It sets as it is held.',
            remedy: 'Still soft: correct it. Set: wedge or make it again.',
            where: ['knee'],
          },
        ]
      : []),
    {
      id: 'ankle-angle',
      reads: 'ankle',
      text: 'Ankle angle measured',
      why: 'A dropped foot cannot stand flat.',
      remedy: 'Still soft: correct it. Set: make it again.',
      where: ['ankle'],
    },
    { id: 'rotation', text: 'Thigh and foot on one axis', why: 'Turned is as wrong as bent.', remedy: 'Make it again.', where: ['toe'] },
    {
      id: 'fibular-neck',
      text: 'No pressure at the fibular neck',
      why: 'The nerve that lifts the foot lies there.',
      remedy: 'Trim or window the edge.',
      where: ['fibular-neck'],
    },
  ]
}

/** Care in words. */
export const legCastCare: readonly string[] = [
  'No weight through the cast unless it is ordered by name.',
  'Open air until it is cool, 20 to 30 minutes; then a cloth pillow with the heel hanging.',
  'Limb at heart level; toes moved every hour while awake.',
  'Nothing is pushed down inside it; keep it dry.',
  'More pain, pain when the toes are stretched, numb or blue toes: call at once, day or night.',
  'Calf pain or breathlessness: call at once.',
]
