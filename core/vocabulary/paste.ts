/** The pastes of the trade; a studio may have others that are like one of them. */
export type Paste = 'gum paste' | 'modelling paste' | 'stiffened sugarpaste' | 'sugarpaste'
