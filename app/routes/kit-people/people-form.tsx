import { Button, Checkbox, Form, Input, Select } from 'antd'
import { useState } from 'react'
import { PACES } from '../../../core/courses/course'
import { ALLERGENS } from '../../../core/designs/design'
import { DIETS, type Student } from '../../../core/kits/student'
import { useLeaveGuard } from '../../components/use-leave-guard'
import { useSchemaForm } from '../../components/use-schema-form'
import { peopleSchema, type PeopleInput } from '../../schemas/people'
import { PACE_WORDS } from '../../words/terms'
import { count } from '../../words/times'
import { PeopleFiles } from './people-files'

const ALLERGEN_OPTIONS = ALLERGENS.map((value) => ({ value, label: value }))
const LEVEL_OPTIONS = PACES.filter((pace) => pace !== 'mixed').map((value) => ({ value, label: PACE_WORDS[value] }))
const DIET_OPTIONS = DIETS.map((value) => ({ value, label: value }))

interface Refused {
	refused?: boolean
	problems?: { path: string; message: string }[]
}

/** Everybody of a course, with what their kits need to know. */
export function PeopleForm({
	data: { courseId, places, students },
	answer,
}: {
	data: { courseId: number; places: number; students: Student[] }
	answer: unknown
}) {
	const { form, submit, clearProblems, isSaving, refusal, isSaved } = useSchemaForm<PeopleInput>({
		schema: peopleSchema,
	})
	const [isTouched, setTouched] = useState(false)
	useLeaveGuard(isTouched && !isSaved && !isSaving)
	const fileProblems = (answer as Refused | undefined)?.problems ?? []
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
				{refusal && (
					<p className="alert" role="alert">
						{refusal.problems.find(({ path }) => path === 'students')?.message ?? refusal.message}
					</p>
				)}
				<Form.List name="students">
					{(fields, { add, remove }) => (
						<>
							{fields.map(({ key, name }) => (
								<fieldset key={key} className="person">
									<legend>Student {name + 1}</legend>
									<div className="fields">
										<Form.Item name={[name, 'name']} label="Name">
											<Input maxLength={80} autoComplete="off" />
										</Form.Item>
										<Form.Item name={[name, 'level']} label="Level">
											<Select allowClear placeholder="as the group" options={LEVEL_OPTIONS} className="person-select" />
										</Form.Item>
										<Form.Item name={[name, 'avoids']} label="Without">
											<Select
												mode="multiple"
												placeholder="nothing"
												options={ALLERGEN_OPTIONS}
												className="person-avoids"
											/>
										</Form.Item>
										<Form.Item name={[name, 'diet']} label="Diet" initialValue="any">
											<Select options={DIET_OPTIONS} className="person-select" />
										</Form.Item>
									</div>
									<div className="fields">
										<Form.Item name={[name, 'isLeftHanded']} valuePropName="checked" initialValue={false}>
											<Checkbox>left-handed</Checkbox>
										</Form.Item>
										<Form.Item name={[name, 'isChild']} valuePropName="checked" initialValue={false}>
											<Checkbox>child</Checkbox>
										</Form.Item>
										<Form.Item name={[name, 'notes']} label="For her kit" initialValue="" className="person-notes">
											<Input maxLength={300} />
										</Form.Item>
										<Button className="row-button" onClick={() => remove(name)}>
											Take off
										</Button>
									</div>
								</fieldset>
							))}
							{fields.length < places && (
								<Button
									onClick={() =>
										add({ name: '', isLeftHanded: false, isChild: false, avoids: [], diet: 'any', notes: '' })
									}
								>
									One more person
								</Button>
							)}
						</>
					)}
				</Form.List>
			</section>
			<div className="row form-foot">
				<Button type="primary" htmlType="submit" disabled={isSaving}>
					Save
				</Button>
				{isSaved && <span role="status">Saved.</span>}
			</div>
			<PeopleFiles
				courseId={courseId}
				hasPeople={students.length > 0}
				problems={fileProblems.map(({ message }) => message)}
			/>
		</Form>
	)
}
