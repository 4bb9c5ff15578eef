/** The last look before it sets, and the answers to it. */
export const lastLook =
  'Last look: anything poking, squeezing, an edge at a nerve or in a fold, all toes seen? Flare it, ease it or cut it now: later it can only be cut.'
