import { Select } from 'antd'
import { useNavigate } from 'react-router'
import { OptionLink } from '../../shared/components/option-link'

export interface SeatOption {
	/** Where it is shown. */
	to: string
	label: string
	isCurrent: boolean
}

/** More of them do not stand beside each other any longer. */
const MOST_BESIDE = 12

/** Whose kit or bag: beside each other, or in a list that is searched; without scripts beside each other always. */
export function SeatPicker({ label, options }: { label: string; options: readonly SeatOption[] }) {
	const navigate = useNavigate()
	const links = options.map(({ to, label: name, isCurrent }) => (
		<OptionLink key={to} to={to} isCurrent={isCurrent}>
			{name}
		</OptionLink>
	))
	if (options.length <= MOST_BESIDE) return links
	return (
		<>
			<Select
				className="seat-picker"
				aria-label={label}
				placeholder={label}
				value={options.find(({ isCurrent }) => isCurrent)?.to ?? null}
				options={options.map(({ to, label: name }) => ({ value: to, label: name }))}
				showSearch={{ optionFilterProp: 'label' }}
				onChange={(to: string) => void navigate(to, { replace: true, preventScrollReset: true })}
			/>
			<noscript>{links}</noscript>
		</>
	)
}
