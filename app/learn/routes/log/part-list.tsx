import type { DataColumn } from '../../../shared/components/data-table/data-column'
import { PlainTable } from '../../../shared/native/plain-table'
import type { BelievedPart } from '../../load-log.server'
import { inHundredWords } from '../../words/log'

const COLUMNS: DataColumn<BelievedPart>[] = [
	{ name: 'part', head: 'Part', isHead: true, cell: ({ name }) => name },
	{ name: 'believed', head: 'Lost', isNumber: true, cell: ({ believed }) => inHundredWords(believed) },
	{ name: 'stated', head: 'As stated', isNumber: true, cell: ({ stated }) => inHundredWords(stated) },
	{ name: 'seen', head: 'Seen', isNumber: true, cell: ({ made, broken }) => `${broken} of ${made} broke` },
]

/** What breaks, against what the designs state. */
export function PartList({ parts }: { parts: readonly BelievedPart[] }) {
	return (
		<section className="sheet stack" aria-labelledby="log-parts">
			<div className="row">
				<h2 id="log-parts">What breaks</h2>
				<span className="soft">in practised hands</span>
			</div>
			<PlainTable
				label="Part by part"
				columns={COLUMNS}
				rows={parts}
				keyOf={({ part }) => part}
				className="log-parts"
			/>
		</section>
	)
}
