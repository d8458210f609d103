import { Button, Input } from 'antd'
import { useId, useState } from 'react'
import { Form } from 'react-router'
import { PlainNumber } from '../../../shared/components/fields/plain-fields'
import type { LoggedOccasion } from '../../load-log.server'
import { againstWords, seenWords } from '../../words/log'

/** What was seen of a step, a part, a paste, a wire or a tool, with what may be done about it. */
export function OccasionRow({ occasion }: { occasion: LoggedOccasion }) {
	const [asking, setAsking] = useState<'why' | 'what'>()
	const id = useId()
	const { name, leftOut, isCorrected } = occasion
	const close = () => setAsking(undefined)
	return (
		<li className={leftOut === null ? '' : 'is-left-out'}>
			<b id={id}>{name}</b>
			<span>
				{seenWords(occasion)}
				{isCorrected && <span className="soft small"> corrected</span>}
			</span>
			<span className="soft">{againstWords(occasion)}</span>
			<Form method="post" className="row" onSubmit={close} aria-labelledby={id}>
				<input type="hidden" name="id" value={occasion.id} />
				{asking === undefined && <Presses occasion={occasion} onAsk={setAsking} />}
				{asking === 'why' && (
					<>
						<Input name="reason" aria-label="Why" placeholder="why" required maxLength={200} autoFocus />
						<Button htmlType="submit" name="intent" value="leave-out" size="small">
							Leave it out
						</Button>
					</>
				)}
				{asking === 'what' && <Correction occasion={occasion} onLeave={close} />}
			</Form>
		</li>
	)
}

function Presses({ occasion, onAsk }: { occasion: LoggedOccasion; onAsk: (what: 'why' | 'what') => void }) {
	const { name, leftOut, isCorrected } = occasion
	if (leftOut !== null)
		return (
			<Button htmlType="submit" name="intent" value="take-in" size="small">
				Learn from it again
			</Button>
		)
	return (
		<>
			<Button size="small" type="text" onClick={() => onAsk('what')} aria-label={`Correct ${name}`}>
				Correct…
			</Button>
			{isCorrected && (
				<Button htmlType="submit" name="intent" value="as-observed" size="small" type="text">
					As it was observed
				</Button>
			)}
			<Button size="small" type="text" onClick={() => onAsk('why')} aria-label={`Leave out ${name}`}>
				Leave out…
			</Button>
		</>
	)
}

/** In place of what was observed, which is kept. */
function Correction({ occasion, onLeave }: { occasion: LoggedOccasion; onLeave: () => void }) {
	return (
		<>
			<CorrectFields occasion={occasion} />
			<Button htmlType="submit" name="intent" value={`correct-${occasion.kind}`} size="small">
				Correct it
			</Button>
			<Button size="small" type="text" onClick={onLeave}>
				Leave it
			</Button>
		</>
	)
}

function CorrectFields({ occasion }: { occasion: LoggedOccasion }) {
	switch (occasion.kind) {
		case 'minutes':
			return (
				<PlainNumber
					name="minutes"
					label="Really"
					unit="min"
					defaultValue={Math.round(occasion.to ?? occasion.from)}
					isRequired
				/>
			)
		case 'breakage':
			return <OfFields of={{ broken: occasion.broken, made: occasion.made }} label="Broke" />
		case 'paste':
			return <PlainNumber name="usedG" label="Used" unit="g" defaultValue={Math.round(occasion.usedG)} isRequired />
		case 'wires':
			return <OfFields of={{ used: occasion.used, handed: occasion.handed }} label="Used" />
		case 'queue':
			return <PlainNumber name="waiting" label="Waited at once" defaultValue={occasion.waiting} isRequired />
	}
}

/** So many of so many, by the names of their fields. */
function OfFields({ of, label }: { of: Record<string, number>; label: string }) {
	return Object.entries(of).map(([name, value], k) => (
		<PlainNumber key={name} name={name} label={k === 0 ? label : 'of'} defaultValue={value} isRequired />
	))
}
