import type { DesignKind } from '../../../../core/design/design'
import type { ResolvedDesign } from '../../../../core/design/resolve-design'
import { FlowerPicture } from '../../components/flower-picture/flower-picture'
import { KIND_WORDS } from '../../../shared/words/terms'
import { count } from '../../../shared/words/times'

export type LookedAt =
	| { name: string; problems: { path: string; message: string }[] }
	| {
			name: string
			kind: DesignKind
			partCount: number
			stepCount: number
			id: string
			/** Of the design that has this id already. */
			takenVersion: number | undefined
			picture: Pick<ResolvedDesign, 'name' | 'parts' | 'layers' | 'bestView'>
	  }

/** One design of a file before it is taken in: what it is, or what is wrong with it and where. */
export function FilePreview({ looked }: { looked: LookedAt }) {
	if ('problems' in looked) {
		return (
			<section className="sheet import-problems">
				<h3>{looked.name} is left out</h3>
				<ul>
					{looked.problems.map(({ path, message }, p) => (
						<li key={p}>
							<code>{path}</code> {message}
						</li>
					))}
				</ul>
			</section>
		)
	}
	const { name, kind, partCount, stepCount, takenVersion, picture } = looked
	return (
		<section className="sheet import-preview">
			<FlowerPicture design={picture} size={110} />
			<div>
				<h3>{name}</h3>
				<p className="soft">
					{KIND_WORDS[kind]} · {count(partCount, 'part')} · {count(stepCount, 'step')}
					{takenVersion !== undefined && ' · in your book already'}
				</p>
			</div>
		</section>
	)
}
