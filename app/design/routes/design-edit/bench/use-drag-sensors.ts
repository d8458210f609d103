import { KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core'
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable'

/** The same objects every time: new ones would draw everything that can be dragged anew, with every key. */
const POINTER = { activationConstraint: { distance: 6 } }
const KEYBOARD = { coordinateGetter: sortableKeyboardCoordinates }

/** Dragged by hand a little way off, so that a press stays a press; or by keyboard. */
export function useDragSensors() {
	return useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, KEYBOARD))
}
