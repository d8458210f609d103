/** How dry a piece is, in the words of the trade, and what it lies on meanwhile. */

/** Stages of drying, from the first skin to dry all through. */
export const DRYING_STAGES = ['skin', 'touch', 'set', 'firm', 'hard', 'through'] as const
export type DryingStage = (typeof DRYING_STAGES)[number]

/** What is behind a piece that lies: how much of its back the air reaches. */
export type BackFace = 'free' | 'ventilated' | 'tissue' | 'foam' | 'board'
