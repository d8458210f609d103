import './why-amount.css'

/** An amount that tells where it comes from when it is asked. */
export function WhyAmount({ amount, why }: { amount: string; why: readonly string[] }) {
	if (why.length === 0) return <b>{amount}</b>
	return (
		<details className="why-amount">
			<summary>
				<b>{amount}</b>
			</summary>
			<ul>
				{why.map((line) => (
					<li key={line}>{line}</li>
				))}
			</ul>
		</details>
	)
}
