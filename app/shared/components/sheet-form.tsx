import { Button, Form } from 'antd'
import type { SchemaForm } from './use-schema-form'
import '../theme/forms.css'

interface SheetFormProps<Values extends object> {
	/** As `useSchemaForm` gives it. */
	state: SchemaForm<Values>
	initial: Values
	saveLabel: string
	onChange?: () => void
	isDirty?: boolean
	/** Something beside the usual word about a refused saving. */
	notice?: React.ReactNode
	/** Beside the save button. */
	foot?: React.ReactNode
	/** Sheets of fields. */
	children: React.ReactNode
}

/** A form of several sheets that is saved as a whole: what the server refused above it, its state and buttons below. */
export function SheetForm<Values extends object>({
	state: { form, submit, clearProblems, isSaving, refusal, isSaved },
	initial,
	saveLabel,
	onChange,
	isDirty = false,
	notice,
	foot,
	children,
}: SheetFormProps<Values>) {
	return (
		<Form
			form={form}
			layout="vertical"
			initialValues={initial}
			requiredMark={false}
			scrollToFirstError
			className="sheet-form"
			onFinish={(values: Values) => void submit(values)}
			onValuesChange={(changed: object) => {
				clearProblems(changed)
				onChange?.()
			}}
		>
			{notice ??
				(refusal && (
					<p className="alert" role="alert">
						{refusal.message}
					</p>
				))}
			{children}
			<div className="row form-foot">
				<Button type="primary" htmlType="submit" loading={isSaving}>
					{saveLabel}
				</Button>
				{isDirty && !isSaving && <span className="soft">Not saved yet</span>}
				{isSaved && !isDirty && <span role="status">Saved.</span>}
				{foot}
			</div>
		</Form>
	)
}
