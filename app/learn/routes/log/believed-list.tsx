import { useId } from 'react'
import { Link } from 'react-router'
import { Disclosure } from '../../../shared/native/disclosure'
import { count } from '../../../shared/words/times'
import type { BelievedName } from '../../believed-names'
import { factorWords } from '../../words/log'

/** As many as are read at a glance. */
const SHOWN = 10
/** Ends of the scale: half as long, and twice. */
const WIDEST = Math.log(2)

interface BelievedListProps {
	title: string
	about: string
	/** In the middle of the scale. */
	middle?: string
	/** Of the address at which each is looked at; absent: none is. */
	kind?: 'technique' | 'step'
	list: readonly BelievedName[]
}

/** How much longer or shorter than stated, each as a bar of its doubt. */
export function BelievedList({ title, about, middle = 'as stated', kind, list }: BelievedListProps) {
	const id = useId()
	const rest = list.slice(SHOWN)
	return (
		<section className="sheet stack" aria-labelledby={id}>
			<div className="row">
				<h2 id={id}>{title}</h2>
				<span className="soft">{about}</span>
			</div>
			<div className="log-scale soft small" aria-hidden="true">
				<span>half as long</span>
				<span>{middle}</span>
				<span>twice</span>
			</div>
			<Rows list={list.slice(0, SHOWN)} kind={kind} />
			{rest.length > 0 && (
				<Disclosure head={`${rest.length} more`}>
					<Rows list={rest} kind={kind} />
				</Disclosure>
			)}
		</section>
	)
}

function Rows({ list, kind }: { list: BelievedListProps['list']; kind: BelievedListProps['kind'] }) {
	return (
		<ul className="log-rows">
			{list.map((own) => (
				<li key={own.key}>
					{kind ? (
						<Link to={`/log/belief?${kind}=${encodeURIComponent(own.key)}`}>{own.name}</Link>
					) : (
						<span>{own.name}</span>
					)}
					<FactorBar {...own.factor} />
					<span className="log-factor">{factorWords(own)}</span>
					<span className="soft small">{count(own.classes, 'class', 'classes')}</span>
				</li>
			))}
		</ul>
	)
}

/** The words beside it say the same. */
function FactorBar({ at, half, ninety }: BelievedName['factor']) {
	const place = (factor: number) => 50 + 50 * Math.max(-1, Math.min(1, Math.log(factor) / WIDEST))
	const span = ([from, to]: readonly [number, number]) => ({ x: place(from), width: place(to) - place(from) })
	return (
		<svg className="log-bar" viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
			<line x1="50" x2="50" y1="0" y2="12" className="log-bar-stated" />
			<rect {...span(ninety)} y="4" height="4" className="log-bar-ninety" />
			<rect {...span(half)} y="3" height="6" className="log-bar-half" />
			<rect x={place(at) - 0.4} width="0.8" y="0" height="12" className="log-bar-at" />
		</svg>
	)
}
