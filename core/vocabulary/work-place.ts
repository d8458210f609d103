/** Where work is done. */

/** Where a task may be done: with the students, by the instructor beforehand, or by each student at home. */
export type AllowedPlace = 'class' | 'ahead' | 'home'
