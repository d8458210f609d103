/**
 * How much times differ, in one place: planning, rehearsing and learning take the same. Standard deviations of natural
 * logarithms unless said otherwise; all from memory, common practice without a source, to be learnt from real classes.
 */

/** Of students' own speed within a group. */
export const STUDENT_SD = 0.15
/** Of one student at one technique, beside her own speed. */
export const STUDENT_TECHNIQUE_SD = 0.1
/** Of one piece after another by the same hands: standard deviation over mean. */
export const PIECE_CV = 0.25
/** Of one class against another of the same level. */
export const CLASS_SD = 0.15
/** Of what is stated for a technique, before anything is known of it. */
export const TECHNIQUE_SD = 0.25
/** Of what is stated for a step, beside its technique. */
export const STEP_SD = 0.2
/** Of the pace of a paste: the prior of `pace-belief`. */
export const PASTE_PACE_SD = 0.28
/** Of how things dry in a place against what its air says. */
export const PLACE_PACE_SD = 0.15
/** Of drying from piece to piece. */
export const DRYING_PIECE_SD = 0.2
/** Of what is stated for a level, before any of its classes is known. */
export const LEVEL_SD = 0.15
/** Of one step in one class, beside all that it shares with others. */
export const OCCASION_SD = 0.25
/** Of paste used to paste reckoned: of a paste, of a kind of piece beside it, and of one class. */
export const PASTE_USE_SD = 0.15
/** The same of a kind of piece. */
export const PASTE_KIND_SD = 0.1
/** The same of one class. */
export const PASTE_CLASS_SD = 0.15
