import { Button } from 'antd'
import { Form } from 'react-router'
import { shortDay } from '../../../shared/words/times'

/** The member's own calendar under a secret address: made, made anew, revoked. */
export function FeedSheet({ madeAt, made }: { madeAt: string | undefined; made: string | undefined }) {
	return (
		<section className="sheet prep-feed no-print" aria-label="In your own calendar">
			<h2>In your own calendar</h2>
			<p className="soft">
				Sessions, when trays are ready, and this work as it is laid, under an address that your calendar reads by
				itself. Nobody’s name is in it. Who knows the address reads it: hand it to nobody, and make it anew if somebody
				has it.
			</p>
			{made && (
				<p role="status">
					Your address, shown this once: <br />
					<code className="prep-address">{made}</code>
				</p>
			)}
			{madeAt && !made && <p>There is one since {shortDay(madeAt)}.</p>}
			<div className="row">
				<Form method="post">
					<input type="hidden" name="intent" value="make-feed" />
					<Button htmlType="submit">{madeAt ? 'Make it anew' : 'Make an address'}</Button>
				</Form>
				{madeAt && (
					<Form method="post">
						<input type="hidden" name="intent" value="revoke-feed" />
						<Button htmlType="submit">Revoke it</Button>
					</Form>
				)}
			</div>
		</section>
	)
}
