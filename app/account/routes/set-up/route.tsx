import type { Transaction } from 'sequelize'
import { useState } from 'react'
import { NotFoundError } from '../../../../core/errors'
import { createStudio } from '../../../../db/repositories/accounts.server'
import type { PaperName } from '../../../../core/outlines/template-sheet'
import { USUAL_KIT_TERMS } from '../../../../core/kit/kit-terms'
import { inTransaction } from '../../../../db/connection.server'
import { findLink, spendLink } from '../../../../db/repositories/links.server'
import { hashPassword } from '../../../../db/password-hash.server'
import { FewField, SelectField } from '../../../shared/components/fields/choice-fields'
import { useHydrated } from '../../../shared/components/use-hydrated'
import { readBody } from '../../../shared/http/read-input.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { GAUGE_WORDS, PAPER_OPTIONS } from '../../../shared/words/terms'
import { LinkOver } from '../../components/link-over'
import { LoneField, LoneForm, LonePage } from '../../components/lone-form'
import { openedBy } from '../../opened-by.server'
import { enter } from '../../enter.server'
import { setUpSchema } from '../../forms.server'
import { mayFound, OPEN, signUp } from '../../sign-up.server'
import type { Route } from './+types/route'

/** In which sugar-craft wire is sold most. */
const USUAL_WIRE_MM = 360

export function meta() {
	return [{ title: 'A new studio · Calycine' }]
}

export function loader({ params: { token } }: Route.LoaderArgs) {
	return loading(async () => {
		const isGood = token === OPEN ? signUp() === 'open' : (await findLink('found', token, new Date())) !== undefined
		return openedBy(isGood && (await mayFound()) ? { zones: Intl.supportedValuesOf('timeZone') } : undefined)
	})
}

export function action({ params: { token }, request }: Route.ActionArgs) {
	return acting(async () => {
		if (!(await mayFound()) || (token === OPEN && signUp() !== 'open'))
			throw new NotFoundError('Nobody founds a studio here without a link.')
		const { studioName, name, email, password, currency, ...house } = await readBody(request, setUpSchema)
		const kitTerms = { ...USUAL_KIT_TERMS, currency }
		const studio = { ...house, name: studioName, wireLengthsMm: [USUAL_WIRE_MM], kitTerms }
		// Hashed for whoever may alone: it is dear.
		const found = async (transaction: Transaction) =>
			createStudio(studio, { name, email, passwordHash: await hashPassword(password) }, transaction)
		const { userId } =
			token === OPEN
				? await inTransaction(found)
				: await spendLink({ kind: 'found', token, now: new Date() }, (_, transaction) => found(transaction))
		return enter(request, userId, '/')
	})
}

const UNITS = [
	{ value: 'metric', label: 'grams, cm' },
	{ value: 'imperial', label: 'ounces, inches' },
] as const

const GAUGES = (['swg', 'awg'] as const).map((value) => ({ value, label: GAUGE_WORDS[value] }))

/** Founds a studio: what it is called and how it measures, and whose it is. */
export default function SetUp({ loaderData: opened }: Route.ComponentProps) {
	const zones = opened?.zones ?? []
	// Most likely her studio is where she is.
	const here = useHydrated() ? Intl.DateTimeFormat().resolvedOptions().timeZone : undefined
	const [chosen, setTimeZone] = useState<string>()
	const timeZone = chosen ?? (here && zones.includes(here) ? here : 'Europe/London')
	const [units, setUnits] = useState<(typeof UNITS)[number]['value']>('metric')
	const [paper, setPaper] = useState<PaperName>('a4')
	const [gauge, setGauge] = useState<(typeof GAUGES)[number]['value']>('swg')
	if (!opened) return <LinkOver wayOn="Start Calycine anew: it prints a new one as long as there is no studio." />
	return (
		<LonePage head="Set up your studio">
			<LoneForm doIt="Set it up">
				<LoneField name="studioName" label="Name of the studio" autoComplete="organization" autoFocus />
				<SelectField
					name="timeZone"
					label="Its clock"
					value={timeZone}
					options={zones.map((value) => ({ value, label: value.replaceAll('_', ' ') }))}
					onChange={setTimeZone}
				/>
				<FewField name="units" label="Weigh and measure in" value={units} options={UNITS} onChange={setUnits} />
				<FewField name="paper" label="Print on" value={paper} options={PAPER_OPTIONS} onChange={setPaper} />
				<SelectField name="gaugeStandard" label="Wire gauges by" value={gauge} options={GAUGES} onChange={setGauge} />
				<LoneField name="currency" label="Sign of your money" autoComplete="off" defaultValue="€" />
				<LoneField name="name" label="Your name" autoComplete="name" />
				<LoneField name="email" label="Your e-mail address" type="email" autoComplete="username" />
				<LoneField
					name="password"
					label="Choose a password, at least 12 characters"
					type="password"
					autoComplete="new-password"
				/>
			</LoneForm>
			<p className="soft small">All else (places, pastes, hours) has usual values, and is changed under Studio.</p>
		</LonePage>
	)
}
