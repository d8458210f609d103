/** How long did it take? A session told by hand, for those who teach without the tablet: a few lines, two minutes. */
import { Button } from 'antd'
import { useState } from 'react'
import { Link, useFetcher } from 'react-router'
import type { FieldProblem } from '../../../../core/errors'
import { getCourse } from '../../../../db/repositories/courses.server'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { readBody, readId } from '../../../shared/http/read-input.server'
import { problemsByField, type Refusal } from '../../../shared/http/refusal'
import { acting, loading } from '../../../shared/http/responses.server'
import { schemaProblems } from '../../../shared/schemas/schema-problems'
import { FewField } from '../../../shared/components/fields/choice-fields'
import { Disclosure } from '../../../shared/native/disclosure'
import { longDay } from '../../../shared/words/times'
import { pasteWords } from '../../words/log'
import { toldSchema } from '../../schemas/told'
import { keepTold, loadTold, type ToldPage as ToldData, type ToldPaste } from '../../told-session.server'
import type { Route } from './+types/route'
import { ToldLine } from './told-line'
import { useTold, type ToldKind } from './use-told'
import './told.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const course = await courseOfPage(context, params)
		return loadTold(context.get(memberContext).studio, course, readId(params.session))
	})
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const course = await getCourse(studio.id, readId(params.courseId))
		await keepTold(studio, course, readId(params.session), await readBody(request, toldSchema))
		return { done: true as const }
	})
}

/** So many steps stand open: the longest say the most. */
const SHOWN = 5

export default function ToldPage({ loaderData: page }: Route.ComponentProps) {
	return (
		<section className="sheet stack told-page" aria-labelledby="told">
			<h2 id="told">How long did it take?</h2>
			<p className="soft">
				{page.sessionName}, {longDay(page.date)}. Fill in what you remember: what stays empty is not learnt from.
			</p>
			{page.isToCome ? (
				<p>This session is still to come. Come back when it is over.</p>
			) : (
				<ToldForm key={`${page.courseId} ${page.session}`} page={page} />
			)}
		</section>
	)
}

function ToldForm({ page }: { page: ToldData }) {
	const { send, isSaving, isSaved, problemOf } = useSending()
	const told = useTold(page)
	const line = (kind: ToldKind, key: string) => ({
		value: told.valueOf(kind, key),
		onChange: (text: string) => told.set(kind, key, text),
		problem: problemOf(told.pathOf(kind, key)),
	})
	const minutesLine = ({ id, name, plannedMinutes }: ToldData['tasks'][number]) => (
		<ToldLine
			key={id}
			label={name}
			unit="min"
			besides={`planned ${Math.round(plannedMinutes)}`}
			{...line('minutes', id)}
		/>
	)
	const pasteLine = (one: ToldPaste, label: string) => (
		<ToldLine
			key={one.key}
			label={label}
			unit="g"
			besides={`of ${one.handedG} g handed out; reckoned ${one.reckonedG} g`}
			{...line('left', one.key)}
		/>
	)
	const { isOnTablet, tasks, parts, tools, pastes, pasteKinds, wires } = page
	return (
		<form
			className="stack"
			noValidate
			onSubmit={(event) => {
				event.preventDefault()
				void send(told.toBody())
			}}
		>
			{isOnTablet ? (
				<p>
					It was taught on the tablet, which has its minutes and what broke:{' '}
					<Link to={`/courses/${page.courseId}/run/${page.session}`}>what was</Link>.
				</p>
			) : (
				<>
					<div className="row told-who">
						<ToldLine
							label="Students who were there"
							value={told.studentCount}
							onChange={told.setStudentCount}
							problem={problemOf('studentCount')}
						/>
						<FewField
							label="The minutes are until"
							value={told.told}
							onChange={told.setTold}
							options={[
								{ value: 'most', label: 'most were done' },
								{ value: 'all', label: 'all were done' },
							]}
						/>
					</div>
					<fieldset className="told-lines">
						<legend>Minutes of the longest steps, without tea and demonstrations</legend>
						{tasks.slice(0, SHOWN).map(minutesLine)}
					</fieldset>
					{tasks.length > SHOWN && (
						<Disclosure head={`${tasks.length - SHOWN} more steps`}>
							<div className="told-lines">{tasks.slice(SHOWN).map(minutesLine)}</div>
						</Disclosure>
					)}
					<fieldset className="told-lines">
						<legend>Pieces that broke</legend>
						{parts.map(({ name }) => (
							<ToldLine key={name} label={name} {...line('broken', name)} />
						))}
					</fieldset>
					{tools.length > 0 && (
						<fieldset className="told-lines">
							<legend>Students who stood waiting for a tool, at most at once</legend>
							{tools.map(({ tool }) => (
								<ToldLine key={tool} label={tool} {...line('waiting', tool)} />
							))}
						</fieldset>
					)}
				</>
			)}
			{pastes.length > 0 && (
				<fieldset className="told-lines">
					<legend>Paste of all kits that came back, weighed</legend>
					{pastes.map((one) => pasteLine(one, one.paste))}
				</fieldset>
			)}
			{pasteKinds.length > 0 && (
				<Disclosure head="Instead, by what it was for">
					<div className="told-lines">
						{pasteKinds.map((one) => pasteLine(one, `${pasteWords(one)} (${one.colours.join(', ')})`))}
					</div>
				</Disclosure>
			)}
			{wires.length > 0 && (
				<fieldset className="told-lines">
					<legend>Wires of all kits that came back, counted</legend>
					{wires.map(({ wire, handed }) => (
						<ToldLine key={wire} label={wire} besides={`of ${handed} handed out`} {...line('wires', wire)} />
					))}
				</fieldset>
			)}
			{(!isOnTablet || pastes.length + wires.length > 0) && (
				<div className="row">
					<Button type="primary" htmlType="submit" loading={isSaving}>
						Keep it
					</Button>
					{isSaved && (
						<span role="status">
							Kept. <Link to="/log">The log</Link> learns from it.
						</span>
					)}
					{problemOf('') && (
						<span role="alert" className="alert">
							{problemOf('')}
						</span>
					)}
				</div>
			)}
		</form>
	)
}

/** What is wrong is said before anything is sent, where it can be known here. */
function useSending() {
	const fetcher = useFetcher<{ done: true } | Refusal>()
	const [found, setFound] = useState<FieldProblem[]>()
	const answer = fetcher.state === 'idle' && found?.length === 0 ? fetcher.data : undefined
	const refusal = answer && 'refused' in answer ? answer : undefined
	const byField = problemsByField([...(found ?? []), ...(refusal?.problems ?? [])])
	return {
		send: async (body: object) => {
			const problems = await schemaProblems(toldSchema, body)
			setFound(problems)
			if (problems.length === 0)
				await fetcher.submit(JSON.stringify(body), { method: 'post', encType: 'application/json' })
		},
		isSaving: fetcher.state !== 'idle',
		isSaved: answer !== undefined && !refusal,
		/** Of a field; of no field, where the whole was refused. */
		problemOf: (path: string) => {
			if (path === '') return refusal && refusal.problems.length === 0 ? refusal.message : undefined
			return byField(path)
		},
	}
}
