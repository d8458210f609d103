import { Button, Form, Input, InputNumber, Radio, Select } from 'antd'
import type { Paste } from '../../../../core/vocabulary/paste'
import { PASTE_TERMS } from '../../../../core/drying/paste-terms'
import { updateStudio } from '../../../../db/repositories/accounts.server'
import { useSchemaForm } from '../../../shared/components/use-schema-form'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { studioSchema, type StudioInput } from '../../schemas/studio'
import { GAUGE_WORDS } from '../../../shared/words/terms'
import type { Route } from './+types/route'
import '../../../shared/theme/forms.css'

export function meta() {
	return [{ title: 'Studio · Calycine' }]
}

export function loader({ context }: Route.LoaderArgs) {
	const { id: _, ...settings } = context.get(memberContext).studio
	return settings
}

export function action({ request, context }: Route.ActionArgs) {
	return acting(async () => {
		const settings = await readBody(request, studioSchema)
		await updateStudio({ id: context.get(memberContext).studio.id, ...settings })
		return { saved: settings.version + 1 }
	})
}

const ZONES = Intl.supportedValuesOf('timeZone').map((value) => ({ value, label: value.replaceAll('_', ' ') }))

const CONFIDENCES = [
	{ value: 0.5, label: 'every other time (even odds)' },
	{ value: 0.8, label: '8 times in 10' },
	{ value: 0.9, label: '9 in 10' },
	{ value: 0.95, label: '19 in 20' },
]

export default function StudioPage({ loaderData: studio }: Route.ComponentProps) {
	const { form, submit, clearProblems, isSaving, refusal, isSaved } = useSchemaForm<StudioInput>({
		schema: studioSchema,
		toBody: (values) => ({ ...values, version: studio.version }),
	})
	return (
		<>
			<div className="page-head">
				<h1>Studio</h1>
			</div>
			<Form
				form={form}
				layout="vertical"
				initialValues={studio}
				requiredMark={false}
				className="course-form"
				onFinish={submit}
				onValuesChange={clearProblems}
			>
				{refusal && (
					<p className="alert" role="alert">
						{refusal.message}
					</p>
				)}
				<section className="sheet">
					<Form.Item name="name" label="Name of the studio">
						<Input maxLength={120} />
					</Form.Item>
					<Form.Item
						name="timeZone"
						label="Its clock"
						extra="Waits over a night in which clocks change are as long as pieces really lie."
						className="narrow"
					>
						<Select showSearch options={ZONES} />
					</Form.Item>
					<Form.Item
						name="gaugeStandard"
						label="Wire gauges by"
						extra="Two tables are in use; the diameter in mm is shown beside every number."
					>
						<Radio.Group options={(['swg', 'awg'] as const).map((value) => ({ value, label: GAUGE_WORDS[value] }))} />
					</Form.Item>
					<Form.List name="wireLengthsMm">
						{(fields, { add, remove }, { errors }) => (
							<>
								{fields.map(({ key, name }) => (
									<div className="fields" key={key}>
										<Form.Item name={name} label={`Stock wire ${name + 1}, mm`}>
											<InputNumber controls={false} min={100} max={2000} precision={0} step={10} />
										</Form.Item>
										{fields.length > 1 && (
											<Button className="row-button" onClick={() => remove(name)}>
												Take off
											</Button>
										)}
									</div>
								))}
								<Form.ErrorList errors={errors} />
								{fields.length < 5 && <Button onClick={() => add(360)}>One more length</Button>}
							</>
						)}
					</Form.List>
				</section>
				<section className="sheet">
					<h2>Drying</h2>
					<Form.Item
						name="dryingConfidence"
						label="Plan waits so that pieces are ready"
						extra="Between even odds and 9 in 10 a wait grows by about three quarters; what you note of drying narrows it."
					>
						<Radio.Group options={CONFIDENCES} />
					</Form.Item>
					<Form.Item
						name="readingMaxAgeMinutes"
						label="A reading of a hygrometer is old after, minutes"
						className="narrow"
					>
						<InputNumber controls={false} min={5} max={10080} precision={0} />
					</Form.Item>
					<OwnPastes />
				</section>
				<KitFields />
				<div className="row form-foot">
					<Button type="primary" htmlType="submit" loading={isSaving}>
						Save
					</Button>
					{isSaved && <span role="status">Saved.</span>}
				</div>
			</Form>
		</>
	)
}

/** What kits are weighed and laid out with. */
function KitFields() {
	const number = (name: string | string[], label: string, step = 1) => (
		<Form.Item name={['kitTerms', ...(Array.isArray(name) ? name : [name])]} label={label} className="narrow">
			<InputNumber controls={false} step={step} />
		</Form.Item>
	)
	return (
		<section className="sheet">
			<h2>Kits</h2>
			<Form.Item name="units" label="Weigh and measure in">
				<Radio.Group
					options={[
						{ value: 'metric', label: 'grams, millilitres, centimetres' },
						{ value: 'imperial', label: 'ounces, spoons, inches' },
					]}
				/>
			</Form.Item>
			<div className="fields">
				{number('boardWidthMm', 'Rolling board: width, mm')}
				{number('boardHeightMm', 'Its height, mm')}
				{number('gapMm', 'Between pieces, mm', 0.5)}
			</div>
			<div className="fields">
				{number('rerollLoss', 'Lost at each kneading, share', 0.01)}
				{number('reserveShare', 'Reserve on all that is used up, share', 0.01)}
				{number('minOffcutMm', 'Keep wire off-cuts from, mm')}
				{number('tapeStretch', 'Tape is pulled to, times', 0.1)}
			</div>
			<p className="soft small">Gel colour for 100 g of paste, g: from memory, set what yours takes.</p>
			<div className="fields">
				{number(['gelGPer100G', 'pastel'], 'Pastel', 0.1)}
				{number(['gelGPer100G', 'mid'], 'Middling', 0.1)}
				{number(['gelGPer100G', 'deep'], 'Deep', 0.1)}
			</div>
			<div className="fields">
				{number('trayWidthMm', 'Drying tray: width, mm')}
				{number('trayHeightMm', 'Its depth, mm')}
				<Form.Item name={['kitTerms', 'currency']} label="Money" className="narrow">
					<Input maxLength={4} />
				</Form.Item>
			</div>
			<Form.Item name={['kitTerms', 'gelGPer100G', 'white']} hidden>
				<InputNumber controls={false} />
			</Form.Item>
		</section>
	)
}

/** Pastes of her own: each like a usual one, and so many times as fast. */
function OwnPastes() {
	return (
		<Form.List name="ownPastes">
			{(fields, { add, remove }, { errors }) => (
				<>
					<h3>Your own pastes</h3>
					<p className="soft small">
						A paste that is not in the table is known by the one that it is like: 1.2 dries a fifth faster, 0.8 slower.
					</p>
					{fields.map(({ key, name }) => (
						<div className="fields" key={key}>
							<Form.Item name={[name, 'name']} label="Name">
								<Input maxLength={60} />
							</Form.Item>
							<Form.Item name={[name, 'like']} label="Like">
								<Select options={PASTES.map((value) => ({ value, label: value }))} className="paste-select" />
							</Form.Item>
							<Form.Item name={[name, 'paceFactor']} label="Times as fast">
								<InputNumber controls={false} min={0.25} max={4} step={0.1} />
							</Form.Item>
							<Button className="row-button" onClick={() => remove(name)}>
								Take off
							</Button>
						</div>
					))}
					<Form.ErrorList errors={errors} />
					{fields.length < 12 && (
						<Button onClick={() => add({ name: '', like: 'gum paste', paceFactor: 1 })}>One more paste</Button>
					)}
				</>
			)}
		</Form.List>
	)
}

const PASTES = Object.keys(PASTE_TERMS) as Paste[]
