/** The form that makes and changes a course. */
import { Checkbox, Form, Input, Radio, Select } from 'antd'
import { useState } from 'react'
import { PACES, PLAN_FOR, type Course } from '../../../../core/course/course'
import { courseSchema } from '../../schemas/course'
import { PACE_WORDS, PLAN_FOR_WORDS } from '../../../shared/words/terms'
import { useSchemaForm } from '../../../shared/components/use-schema-form'
import { ConflictNotice } from './conflict-notice'
import { DesignFields, type DesignOption } from './design-fields'
import { SessionFields, toOptions, type PlaceOption } from './session-fields'
import { SheetForm } from '../../../shared/components/sheet-form'
import { useLeaveGuard } from '../../../shared/components/use-leave-guard'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'

interface CourseFormProps {
	initial: Course
	/** Version that was read; undefined for a new course. */
	version?: number
	designOptions: readonly DesignOption[]
	places: readonly PlaceOption[]
	submitLabel: string
	/** Beside the save button. */
	children?: React.ReactNode
}

/** The whole of a course as a form: what and who, when, how. */
export function CourseForm({ initial, version, designOptions, places, submitLabel, children }: CourseFormProps) {
	const [isDirty, setDirty] = useState(false)
	const [baseVersion, setBaseVersion] = useState(version)
	const state = useSchemaForm<Course>({
		schema: courseSchema,
		toBody: (values) => (baseVersion === undefined ? values : { ...values, version: baseVersion }),
	})
	const { form, isSaving, refusal } = state
	useLeaveGuard(isDirty && !isSaving)
	const theirs = refusal?.['current'] as (Course & { version: number }) | undefined
	const takeTheirs = () => {
		if (!theirs) return
		form.setFieldsValue(theirs)
		setBaseVersion(theirs.version)
		setDirty(false)
	}
	return (
		<SheetForm
			state={state}
			initial={initial}
			saveLabel={submitLabel}
			isDirty={isDirty}
			onChange={() => setDirty(true)}
			foot={children}
			notice={
				theirs &&
				(theirs.version === baseVersion ? (
					<></>
				) : (
					<ConflictNotice
						form={form}
						theirs={theirs}
						message={refusal?.message ?? ''}
						onKeepMine={() => setBaseVersion(theirs.version)}
						onTakeTheirs={takeTheirs}
					/>
				))
			}
		>
			<WhatAndWho designOptions={designOptions} />
			<When places={places} />
			<How />
		</SheetForm>
	)
}

function WhatAndWho({ designOptions }: Pick<CourseFormProps, 'designOptions'>) {
	return (
		<section className="sheet">
			<h2>What and who</h2>
			<Form.Item name="name" label="Name of the course">
				<Input maxLength={120} />
			</Form.Item>
			<DesignFields options={designOptions} />
			<div className="fields">
				<Form.Item name="studentCount" label="Students">
					<DecimalInput />
				</Form.Item>
				<Form.Item name="pace" label="Their pace" className="wide">
					<Radio.Group optionType="button" options={PACE_OPTIONS} />
				</Form.Item>
			</div>
			<Form.Item name="planFor" label="Times meant for">
				<Radio.Group options={PLAN_FOR_OPTIONS} />
			</Form.Item>
		</section>
	)
}

const PACE_OPTIONS = PACES.map((value) => ({ value, label: PACE_WORDS[value] }))
const PLAN_FOR_OPTIONS = PLAN_FOR.map((value) => ({ value, label: PLAN_FOR_WORDS[value] }))

function When({ places }: Pick<CourseFormProps, 'places'>) {
	const stores = places.filter(({ kind }) => kind === 'store')
	return (
		<section className="sheet is-tall">
			<h2>When</h2>
			<SessionFields places={places} />
			{stores.length > 0 && (
				<Form.Item name="storeId" label="Between sessions the pieces lie in" className="narrow">
					<Select className="place-select" placeholder={stores[0]?.name} allowClear options={toOptions(stores)} />
				</Form.Item>
			)}
		</section>
	)
}

const SPARES = [
	{ value: 0.8, label: '8 times in 10' },
	{ value: 0.9, label: '9 in 10' },
	{ value: 0.95, label: '19 in 20' },
]

function How() {
	return (
		<section className="sheet">
			<h2>How</h2>
			<Form.Item name="spareConfidence" label="Spares, so that a student has enough pieces">
				<Radio.Group options={SPARES} />
			</Form.Item>
			<div className="fields">
				<Form.Item name="demoFlowers" label="Pieces for you to show, whole flowers’ worth">
					<DecimalInput />
				</Form.Item>
				<Form.Item name="homeworkMinutes" label="Most homework between two sessions" extra="0: none is given">
					<DecimalInput step={10} suffix="min" />
				</Form.Item>
				<Form.Item name="homeAfterDays" label="To finish at home after the last" extra="none: all is done in class">
					<DecimalInput suffix="days" />
				</Form.Item>
				<Form.Item name="endEarly" valuePropName="checked" label="If evenings are left over">
					<Checkbox>end early if it can</Checkbox>
				</Form.Item>
			</div>
		</section>
	)
}
