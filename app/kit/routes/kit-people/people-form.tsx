import { Button, Checkbox, Form, Input, Select } from 'antd'
import { useState } from 'react'
import { PACES } from '../../../../core/course/course'
import { ALLERGENS } from '../../../../core/vocabulary/allergen'
import { DIETS, type Student } from '../../../../core/kit/student'
import { useLeaveGuard } from '../../../shared/components/use-leave-guard'
import { StaleNotice } from '../../../shared/components/stale-notice/stale-notice'
import { useVersion } from '../../../shared/components/stale-notice/use-version'
import { useSchemaForm } from '../../../shared/components/use-schema-form'
import { peopleSchema, type PeopleInput } from '../../schemas/people'
import { studentWords } from '../../words/people'
import { PACE_WORDS } from '../../../shared/words/terms'
import { count } from '../../../shared/words/times'
import { PeopleFiles } from './people-files'

const ALLERGEN_OPTIONS = ALLERGENS.map((value) => ({ value, label: value }))
const LEVEL_OPTIONS = PACES.filter((pace) => pace !== 'mixed').map((value) => ({ value, label: PACE_WORDS[value] }))
const DIET_OPTIONS = DIETS.map((value) => ({ value, label: value }))

interface Refused {
	refused?: boolean
	message?: string
	problems?: { path: string; message: string }[]
}

/** Everybody of a course, with what their kits need to know. */
export function PeopleForm({
	data: { courseId, places, students, version: read },
	answer,
}: {
	data: { courseId: number; places: number; students: Student[]; version: number }
	answer: unknown
}) {
	const { version, setVersion, theirsOf } = useVersion<{ students: Student[]; version: number }>(read)
	const { form, submit, clearProblems, isSaving, refusal, isSaved } = useSchemaForm<PeopleInput>({
		schema: peopleSchema,
		toBody: (values) => ({ ...values, version }),
		onSaved: () => setVersion(version + 1),
	})
	const theirs = theirsOf({ refusal })
	const [isTouched, setTouched] = useState(false)
	useLeaveGuard(isTouched && !isSaved && !isSaving)
	const { refused, message = '', problems = [] } = (answer ?? {}) as Refused
	const fileProblems = refused && problems.length === 0 ? [{ message }] : problems
	return (
		<Form
			form={form}
			layout="vertical"
			requiredMark={false}
			initialValues={{ students }}
			className="people-form"
			onFinish={(values) => {
				setTouched(false)
				return submit(values)
			}}
			onValuesChange={(changed: object) => {
				setTouched(true)
				clearProblems(changed)
			}}
		>
			<section className="sheet">
				<div className="row">
					<h2>Who comes</h2>
					<span className="soft">{count(places, 'place')}; whoever is not named yet gets a usual kit</span>
				</div>
				{theirs && (
					<StaleNotice
						message={refusal?.message ?? ''}
						theirs={theirs.students.length === 0 ? ['nobody'] : theirs.students.map(studentWords)}
						onKeepMine={() => setVersion(theirs.version)}
						onTakeTheirs={() => {
							form.setFieldsValue({ students: theirs.students } as PeopleInput)
							setVersion(theirs.version)
						}}
					/>
				)}
				{refusal && refusal['current'] === undefined && (
					<p className="alert" role="alert">
						{refusal.problems.find(({ path }) => path === 'students')?.message ?? refusal.message}
					</p>
				)}
				<PeopleList places={places} />
			</section>
			<div className="row form-foot">
				<Button type="primary" htmlType="submit" disabled={isSaving}>
					Save
				</Button>
				{isSaved && <span role="status">Saved.</span>}
			</div>
			<PeopleFiles
				courseId={courseId}
				version={read}
				hasPeople={students.length > 0}
				problems={fileProblems.map(({ message }) => message)}
			/>
		</Form>
	)
}

function PeopleList({ places }: { places: number }) {
	return (
		<Form.List name="students">
			{(fields, { add, remove }) => (
				<>
					{fields.map(({ key, name }) => (
						<PersonFields key={key} position={name} onRemove={() => remove(name)} />
					))}
					{fields.length < places && <Button onClick={() => add(NOBODY)}>One more person</Button>}
				</>
			)}
		</Form.List>
	)
}

const NOBODY: Student = { name: '', isLeftHanded: false, isChild: false, avoids: [], diet: 'any', notes: '' }

/** What the kit of one person needs to know. */
function PersonFields({ position, onRemove }: { position: number; onRemove: () => void }) {
	return (
		<fieldset className="person">
			<legend>Student {position + 1}</legend>
			<div className="fields">
				<Form.Item name={[position, 'name']} label="Name">
					<Input maxLength={80} autoComplete="off" />
				</Form.Item>
				<Form.Item name={[position, 'level']} label="Level">
					<Select allowClear placeholder="as the group" options={LEVEL_OPTIONS} className="person-select" />
				</Form.Item>
				<Form.Item name={[position, 'avoids']} label="Without">
					<Select mode="multiple" placeholder="nothing" options={ALLERGEN_OPTIONS} className="person-avoids" />
				</Form.Item>
				<Form.Item name={[position, 'diet']} label="Diet" initialValue="any">
					<Select options={DIET_OPTIONS} className="person-select" />
				</Form.Item>
			</div>
			<div className="fields">
				<Form.Item name={[position, 'isLeftHanded']} valuePropName="checked" initialValue={false}>
					<Checkbox>left-handed</Checkbox>
				</Form.Item>
				<Form.Item name={[position, 'isChild']} valuePropName="checked" initialValue={false}>
					<Checkbox>child</Checkbox>
				</Form.Item>
				<Form.Item name={[position, 'notes']} label="For her kit" initialValue="" className="person-notes">
					<Input maxLength={300} />
				</Form.Item>
				<Button className="row-button" onClick={onRemove}>
					Take off
				</Button>
			</div>
		</fieldset>
	)
}
