import { Button, Form, Input, Select } from 'antd'
import type { Course, CourseDesign } from '../../../../core/course/course'
import { COURSE_LIMITS } from '../../../../core/course/validate-course'
import { completePicks } from '../../../../core/design/resolve-design'
import type { Choice } from '../../../../core/design/design'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'

export interface DesignOption {
	slug: string
	name: string
	choices: Choice[]
}

/** The designs of a course, each with its number and its choices. */
export function DesignFields({ options }: { options: readonly DesignOption[] }) {
	const form = Form.useFormInstance<Course>()
	/** Another design has other choices. */
	const takeUsualPicks = (position: number, slug: string) => {
		const choices = options.find((option) => option.slug === slug)?.choices ?? []
		form.setFieldValue(['designs', position, 'picks'], completePicks({ choices }, {}))
	}
	return (
		<Form.List name="designs">
			{(fields, { add, remove }, { errors }) => (
				<div className="design-fields">
					{fields.map(({ key, name }) => (
						<fieldset key={key} aria-label={`Design ${name + 1}`}>
							<Form.Item name={[name, 'key']} hidden>
								<Input />
							</Form.Item>
							<div className="fields">
								<Form.Item name={[name, 'designId']} label="Design">
									<Select
										onChange={(slug: string) => takeUsualPicks(name, slug)}
										options={options.map(({ slug, name: label }) => ({ value: slug, label }))}
										showSearch={{ optionFilterProp: 'label' }}
										popupMatchSelectWidth={false}
									/>
								</Form.Item>
								<NameField position={name} />
								<Form.Item name={[name, 'flowersPerStudent']} label="Each student makes">
									<DecimalInput />
								</Form.Item>
								{fields.length > 1 && (
									<Button onClick={() => remove(name)} className="row-button">
										Take off
									</Button>
								)}
							</div>
							<PickFields position={name} options={options} />
						</fieldset>
					))}
					<Form.ErrorList errors={errors} />
					{fields.length < COURSE_LIMITS.designs.max && (
						<Button
							onClick={() => add({ designId: undefined, flowersPerStudent: 1, picks: {} })}
							className="add-button"
						>
							One more design
						</Button>
					)}
				</div>
			)}
		</Form.List>
	)
}

/** One design made in several ways: each has a name of its own, which stays to be seen when the others are taken off. */
function NameField({ position }: { position: number }) {
	const form = Form.useFormInstance<Course>()
	const designs = Form.useWatch('designs', form) as (Partial<CourseDesign> | undefined)[] | undefined
	const { designId, name } = designs?.[position] ?? {}
	const isAlone = (designs ?? []).filter((item) => item?.designId === designId).length < 2
	return (
		<Form.Item name={[position, 'name']} label="Called" hidden={designId === undefined || (isAlone && !name)}>
			<Input maxLength={80} placeholder="pink, in modelling paste…" />
		</Form.Item>
	)
}

function PickFields({ position, options }: { position: number; options: readonly DesignOption[] }) {
	const form = Form.useFormInstance<Course>()
	const designId = Form.useWatch(['designs', position, 'designId'], form) as string | undefined
	const choices = options.find(({ slug }) => slug === designId)?.choices ?? []
	if (choices.length === 0) return null
	return (
		<div className="fields">
			{choices.map(({ id, name, options: choiceOptions }) => (
				<Form.Item key={id} name={[position, 'picks', id]} label={name}>
					<Select
						options={choiceOptions.map((option) => ({ value: option.id, label: option.name }))}
						popupMatchSelectWidth={false}
					/>
				</Form.Item>
			))}
		</div>
	)
}
