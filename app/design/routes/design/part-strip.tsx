import { Fragment } from 'react'
import { Link } from 'react-router'
import { hazardsOfStep } from '../../../../core/design/cautions'
import type { ResolvedPart, ResolvedStep } from '../../../../core/design/resolve-design'
import { NeedWords } from '../../components/step-chain/need-words'
import { PieceDrawing } from '../../components/flower-picture/piece-drawing'
import { describeForm } from '../../../shared/words/terms'
import { count } from '../../../shared/words/times'

interface PartStripProps {
	/** Undefined: the assembly. */
	part: ResolvedPart | undefined
	steps: readonly ResolvedStep[]
	allSteps: readonly ResolvedStep[]
	parts: readonly ResolvedPart[]
	/** Diameter of the part's wire by the studio's gauge. */
	wireMm: number | undefined
	/** Of `reckonedKey`. */
	reckoned: Readonly<Record<string, string>>
	/** To the drying of a piece; absent: nothing of it dries. */
	dryingLink?: string | undefined
}

/** A part with one of its pieces drawn, and its steps as a chain with the waits between. */
export function PartStrip({ part, steps, allSteps, parts, wireMm, reckoned, dryingLink }: PartStripProps) {
	if (!part && steps.length === 0) return null
	return (
		<section className={`sheet part-strip tint-${part?.tint ?? 'none'}`}>
			<div className="part-head">
				{part && <PieceDrawing form={part.form} />}
				<div>
					<h3>{part?.name ?? 'Putting together'}</h3>
					{part && <PartWords part={part} wireMm={wireMm} dryingLink={dryingLink} />}
				</div>
			</div>
			<ol className="step-chain">
				{steps.map((step) => (
					<Fragment key={step.id}>
						<NeedWords step={step} steps={steps} allSteps={allSteps} parts={parts} reckoned={reckoned} />
						<li className="step-tile">
							<strong>{step.label}</strong>
							<span>{stepMinutes(step)}</span>
							<p className="soft small">{step.sentence}</p>
							<StepHazards step={step} />
							{step.places.length > 1 && (
								<p className="small step-places">
									may be done {step.places.filter((place) => place !== 'class').join(' or ')}
								</p>
							)}
						</li>
					</Fragment>
				))}
			</ol>
		</section>
	)
}

function PartWords({
	part,
	wireMm,
	dryingLink,
}: { part: NonNullable<PartStripProps['part']> } & Pick<PartStripProps, 'wireMm' | 'dryingLink'>) {
	const { piecesPerFlower, form, paste, colour, wire, ownPaste, drying } = part
	return (
		<p className="soft small">
			{count(piecesPerFlower, 'piece')} · {describeForm(form)}
			{paste && ` · ${paste}, ${colour}`}
			{wire && ` · wire ${wire.gauge} gauge (${wireMm?.toFixed(2)} mm), ${wire.lengthMm / 10} cm`}
			{ownPaste && ` (${ownPaste.name})`}
			{drying && ` · dries on ${drying.former}`}
			{dryingLink && (
				<>
					{' · '}
					<Link to={dryingLink}>see it dry</Link>
				</>
			)}
		</p>
	)
}

function stepMinutes({ minutesPerPiece, fixedMinutes, part }: ResolvedStep): string {
	const each = `${minutesPerPiece} min ${part === undefined ? 'a piece' : 'each'}`
	return fixedMinutes > 0 ? `${each} + ${fixedMinutes}` : each
}

/** Where the hazard is: what a step asks care for, in a word; the whole caution stands below. */
function StepHazards({ step }: { step: ResolvedStep }) {
	const hazards = hazardsOfStep(step)
	if (hazards.length === 0) return null
	return <p className="small step-hazards">take care: {hazards.join(', ')}</p>
}
