/** How dry a piece is, in the words of the trade, and what it lies on meanwhile. */

/**
 * Stages of drying, from the first skin to dry all through. All but one follow one another in this order; `settled`, as
 * dry as the paste gets in its room, comes after `firm` in gum paste and before `hard` in softer pastes.
 */
export const DRYING_STAGES = ['skin', 'touch', 'set', 'firm', 'hard', 'settled', 'through'] as const
export type DryingStage = (typeof DRYING_STAGES)[number]

/** What is behind a piece that lies: how much of its back the air reaches. */
export type BackFace = 'free' | 'ventilated' | 'tissue' | 'foam' | 'board' | 'cake'
