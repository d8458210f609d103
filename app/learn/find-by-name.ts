/** Steps and parts of a studio's designs by the names that people write into a spreadsheet. */
import type { Design } from '../../core/design/design'
import { learntPartKey } from '../../core/learn/learnt'
import { learntStepKey } from '../../core/learn/learnt-minutes'

export interface FoundName {
	key: string
	technique?: { id: string; name: string }
}

/**
 * By 'inner petals: cut' or 'inner petals', with the design before it where several have one: 'Magnolia: inner petals: cut'.
 *
 * @returns what finds it; undefined: none, or several
 */
export function findByName(designs: readonly Design[]): (name: string) => FoundName | undefined {
	const byName = new Map<string, FoundName[]>()
	const add = (design: Design, name: string, found: FoundName) => {
		for (const key of [name, `${design.name}: ${name}`].map(plain)) byName.set(key, [...(byName.get(key) ?? []), found])
	}
	for (const design of designs) {
		for (const { id, name } of design.parts) add(design, name, { key: learntPartKey(design.id, id) })
		for (const { id, label, part, technique } of design.steps) {
			const partName = design.parts.find((own) => own.id === part)?.name ?? design.name
			const named = design.techniques.find((own) => own.id === technique)
			add(design, `${partName}: ${label}`, {
				key: learntStepKey(design.id, id),
				...(named && { technique: { id: named.id, name: named.name } }),
			})
		}
	}
	return (name) => {
		const found = byName.get(plain(name)) ?? []
		return found.length === 1 ? found[0] : undefined
	}
}

function plain(name: string): string {
	return name.trim().toLowerCase()
}
