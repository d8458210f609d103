import { Form } from 'antd'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'

/** A share of the form, kept in [0, 1] and shown as people say it. */
export function PercentItem({ name, label }: { name: string[]; label: string }) {
	return (
		<Form.Item
			name={name}
			label={label}
			className="narrow"
			getValueProps={(share: number | null) => ({ value: share === null ? null : Math.round(share * 1000) / 10 })}
			normalize={(percent: number | null) => (percent === null ? null : percent / 100)}
		>
			<DecimalInput step={1} suffix="%" />
		</Form.Item>
	)
}
