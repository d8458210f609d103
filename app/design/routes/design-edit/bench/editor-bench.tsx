import { memo, useMemo } from 'react'
import type { Design } from '../../../../../core/design/design'
import type { Picks } from '../../../../../core/design/resolve-design'
import { holdsUnder } from '../../../../../core/design/variants'
import type { Selection } from '../editing'
import { AddPart } from './add-part'
import { AssemblyStrip } from './assembly-strip'
import { PartList } from './part-list'

interface EditorBenchProps {
	design: Design
	picks: Picks
	selection: Selection
}

/** The parts that exist under the options shown, a place for one more, and how they come together. */
export const EditorBench = memo(function EditorBench({ design, picks, selection }: EditorBenchProps) {
	const shown = useMemo(
		() => ({ ...design, parts: design.parts.filter(({ when }) => holdsUnder(picks, when)) }),
		[design, picks],
	)
	return (
		<>
			<PartList design={shown} selection={selection} />
			<AddPart />
			<AssemblyStrip design={design} picks={picks} selection={selection} />
		</>
	)
})
