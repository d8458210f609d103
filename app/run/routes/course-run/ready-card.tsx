import { Disclosure } from '../../../shared/native/disclosure'
import { READY_CHECKS } from '../../offline/ready-for-class'
import { useReady } from '../../offline/use-ready'
import type { RunPage } from '../../read-run.server'
import { READY_WORDS, readyHeadline } from '../../words/ready'

/** Whether this device can teach without a network: looked at before leaving home. */
export function ReadyCard({ page }: { page: RunPage }) {
	const readiness = useReady(page)
	if (!readiness)
		return (
			<p className="soft" role="status">
				This device is being made ready for class…
			</p>
		)
	return (
		<Disclosure head={readyHeadline(readiness)}>
			<ul className="run-ready">
				{READY_CHECKS.map((check) => (
					<li key={check} className={readiness[check] ? 'is-there' : 'is-missing'}>
						{READY_WORDS[check][readiness[check] ? 'there' : 'missing']}
					</li>
				))}
			</ul>
		</Disclosure>
	)
}
