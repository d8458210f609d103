/** Short ways to write pieces and rooms down in tests of drying. */
import type { AirMovement } from '../../core/drying/air-film'
import { steadyPath, type DryingPath } from '../../core/drying/climate'
import type { DryingBody, DryingPiece } from '../../core/drying/drying-piece'
import { PASTE_TERMS } from '../../core/drying/paste-terms'
import type { BackFace } from '../../core/vocabulary/drying-stage'
import type { Paste } from '../../core/vocabulary/paste'

export function sheet(thicknessMm: number, back: BackFace = 'ventilated', paste: Paste = 'gum paste'): DryingPiece {
	return piece({ type: 'sheet', thicknessMm, back }, paste)
}

export function ball(radiusMm: number, paste: Paste = 'gum paste'): DryingPiece {
	return piece({ type: 'sphere', radiusMm }, paste)
}

export function piece(body: DryingBody, paste: Paste = 'gum paste'): DryingPiece {
	return { paste: PASTE_TERMS[paste], body }
}

export function room(humidity = 0.5, temperatureC = 21, movement: AirMovement = 'still'): DryingPath {
	return steadyPath({ temperatureC, humidity }, movement)
}
