import { Button } from 'antd'
import { Form } from 'react-router'
import { count } from '../../../shared/words/times'
import { PlainText } from '../../../shared/components/fields/plain-fields'
import type { Codes } from '../../load-codes.server'

interface CodesSheetProps {
	codes: Codes
	/** Recovery words, just made. */
	words: readonly string[] | undefined
	problemOf: (field: string) => string | undefined
	/** New after each success. */
	formKey: number
}

/** One-time codes beside the password: off, begun, or asked for. */
export function CodesSheet({ codes, words, problemOf, formKey }: CodesSheetProps) {
	return (
		<section className="sheet stack account-wide" aria-labelledby="own-codes">
			<h2 id="own-codes">One-time codes</h2>
			{words && <RecoveryWords words={words} />}
			{codes.isOn && <CodesOn wordsLeft={codes.wordsLeft} problem={problemOf('own')} key={formKey} />}
			{codes.begun && <CodesBegun {...codes.begun} problem={problemOf('code')} />}
			{!codes.isOn && !codes.begun && (
				<Form method="post" className="row">
					<Button htmlType="submit" name="intent" value="begin-codes">
						Set up codes
					</Button>
					<span className="soft">Whoever has your password still needs your telephone.</span>
				</Form>
			)}
		</section>
	)
}

function RecoveryWords({ words }: { words: readonly string[] }) {
	return (
		<div className="told">
			<p>
				<b>Write these down now</b>: each lets you in once when the telephone is lost. They are not shown again.
			</p>
			<ul className="recovery-words">
				{words.map((word) => (
					<li key={word}>
						<code>{word.match(/.{4}/g)?.join(' ')}</code>
					</li>
				))}
			</ul>
		</div>
	)
}

function CodesOn({ wordsLeft, problem }: { wordsLeft: number; problem: string | undefined }) {
	return (
		<>
			<p>
				You are asked for a code when you sign in. {count(wordsLeft, 'recovery word')} left
				{wordsLeft <= 2 && ': end the codes and set them up again for new ones'}.
			</p>
			<Form method="post" className="account-line">
				<PlainText name="own" label="Your password" type="password" autoComplete="current-password" problem={problem} />
				<Button htmlType="submit" name="intent" value="end-codes">
					End the codes
				</Button>
			</Form>
		</>
	)
}

function CodesBegun({ secret, picture, problem }: { secret: string; picture: string; problem: string | undefined }) {
	return (
		<div className="codes-begun">
			<img
				src={`data:image/svg+xml,${encodeURIComponent(picture)}`}
				alt="For the camera of your telephone: the same as the letters beside it"
				width={180}
				height={180}
			/>
			<div className="stack">
				<p>
					Scan it with any app for one-time codes, or type <code>{secret.match(/.{4}/g)?.join(' ')}</code>
				</p>
				<Form method="post" className="account-line" noValidate>
					<PlainText name="code" label="The code that it shows" autoComplete="one-time-code" problem={problem} />
					<Button type="primary" htmlType="submit" name="intent" value="confirm-codes">
						Ask for codes from now on
					</Button>
				</Form>
			</div>
		</div>
	)
}
