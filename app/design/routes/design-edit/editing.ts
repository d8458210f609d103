/** What every part of the editor gets: the design as it stands, and how to change it. */
import { createContext, use } from 'react'
import type { Design, OwnPasteLike } from '../../../../core/design/design'
import type { EditScope } from '../../../../core/design/edits/conditions'
import type { GaugeStandard } from '../../../../core/materials/wire-gauge'

/** What the side column is about. */
export type Selection =
	{ type: 'design' } | { type: 'part'; id: string } | { type: 'step'; id: string } | { type: 'layer'; index: number }

export interface Editing {
	scope: EditScope
	gaugeStandard: GaugeStandard
	/** Of the studio, beyond the usual ones. */
	ownPastes: readonly OwnPasteLike[]
	/** @param key - changes with the same key one after the other are undone together */
	change: (edit: (design: Design) => Design, key?: string) => void
	select: (selection: Selection) => void
}

export const EditingContext = createContext<Editing | undefined>(undefined)

export function useEditing(): Editing {
	const editing = use(EditingContext)
	if (!editing) throw new Error('useEditing belongs inside the editor')
	return editing
}
