import { InputNumber, type InputNumberProps } from 'antd'
import { showNumber, withPoint } from './number-words'

/**
 * A number to type, with a point or a comma, or to step by the arrow keys. It clamps and rounds nothing: whoever holds it
 * says beside it what is wrong. Money has its precision.
 */
export function DecimalInput(props: Omit<InputNumberProps<string | number>, 'formatter' | 'parser' | 'min' | 'max'>) {
	const { precision } = props
	return (
		<InputNumber<string | number>
			controls={false}
			inputMode="decimal"
			formatter={(value, info) => showNumber(value, { ...info, precision })}
			parser={(text) => withPoint(text ?? '')}
			{...props}
		/>
	)
}
