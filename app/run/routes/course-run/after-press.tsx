import { Button } from 'antd'
import { worksOfTask } from '../../../../core/plan/compile/compiled-course'
import type { RunEvent, RunFact } from '../../../../core/run/run-event'
import type { LastPress } from '../../device/use-last-press'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'
import { toolsAtHand } from './tools-at-hand'

const MINUTE_MS = 60_000
const AGO_MINUTES = [5, 10]
/** Students at once; more than one can count across a room is many. */
const WAITING = [1, 2, 3, 5]

/** For some seconds after a press: what more can be said of it. */
export function AfterPress({ page, run, press: { last, tell } }: { page: RunPage; run: Run; press: LastPress }) {
	const { desk, state } = run
	/** The press as it should have been, in place of what it was. */
	const say = (fact: RunFact, when: number) => {
		if (last) desk.write({ type: 'undo', of: last.id })
		tell(desk.write(fact, when))
	}
	return (
		<div className="run-ago" role="status">
			{last?.type === 'entry' && (
				<>
					<span>It was</span>
					{AGO_MINUTES.map((minutes) => (
						<Button key={minutes} onClick={() => say(factOf(last), last.when - minutes * MINUTE_MS)}>
							{minutes} min ago
						</Button>
					))}
				</>
			)}
			{last?.type === 'broken' && (
				<>
					<span>Of</span>
					{kindsOf(run).map((kind) => (
						<Choice key={kind} isChosen={kind === last.kind} onChoose={() => say({ ...factOf(last), kind }, last.when)}>
							{kind}
						</Choice>
					))}
					<Button onClick={() => tell(desk.write({ type: 'spare', kind: last.kind, count: 1 }))}>
						A dried one was given
					</Button>
				</>
			)}
			{last?.type === 'waited' && (
				<>
					<span>For</span>
					{toolsAtHand(page, run).map((tool) => (
						<Choice key={tool} isChosen={tool === last.tool} onChoose={() => say({ ...factOf(last), tool }, last.when)}>
							{tool}
						</Choice>
					))}
					<span>at once</span>
					{WAITING.map((count) => (
						<Choice
							key={count}
							isChosen={count === last.count}
							onChoose={() => say({ ...factOf(last), count }, last.when)}
						>
							{count}
						</Choice>
					))}
				</>
			)}
			{last?.type === 'spare' && <span>{sparesOf(state, last.kind)} dried given</span>}
		</div>
	)
}

interface ChoiceProps {
	isChosen: boolean
	onChoose: () => void
	children: React.ReactNode
}

/** What the press was of, one of several. */
function Choice({ isChosen, onChoose, children }: ChoiceProps) {
	return (
		<Button aria-pressed={isChosen} className={isChosen ? 'is-chosen' : ''} onClick={onChoose}>
			{children}
		</Button>
	)
}

function factOf<Fact extends RunEvent>({
	id: _,
	device: __,
	seq: ___,
	at: ____,
	runId: _____,
	when: ______,
	...fact
}: Fact) {
	return fact
}

/** Parts that are worked on this evening, in the order of the plan. */
function kindsOf({ state }: Run): string[] {
	const works = state.entries.flatMap(({ entry: { source } }) => (source?.type === 'step' ? worksOfTask(source) : []))
	return [...new Set(works.map(({ partName }) => partName))]
}

function sparesOf({ spares }: Run['state'], kind: string): number {
	return spares.reduce((sum, own) => sum + (own.kind === kind ? own.count : 0), 0)
}
