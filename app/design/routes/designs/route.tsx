import { LinkButton } from '../../../shared/components/link-button'
import { DownloadOutlined } from '@ant-design/icons'
import { Link } from 'react-router'
import { listDesigns } from '../../../../db/repositories/designs.server'
import { PageLinks } from '../../../shared/components/page-links'
import { isNarrowed } from '../../../shared/address'
import { memberContext } from '../../../shared/http/contexts'
import { readPage } from '../../../shared/schemas/page'
import { readDesignFilter } from '../../schemas/design-filter'
import { describeLevel, KIND_WORDS } from '../../../shared/words/terms'
import { duration, wait } from '../../../shared/words/times'
import type { Route } from './+types/route'
import { DesignSearch } from './design-search'
import './designs.css'
import { FileLink } from '../../../shared/components/file-link'

export function meta() {
	return [{ title: 'Designs · Calycine' }]
}

export async function loader({ context, request }: Route.LoaderArgs) {
	const { searchParams } = new URL(request.url)
	const page = readPage(searchParams)
	const filter = readDesignFilter(searchParams)
	return { ...(await listDesigns(context.get(memberContext).studio.id, filter, page)), filter, page }
}

type Summary = Route.ComponentProps['loaderData']['designs'][number]

/** The design book: sought, narrowed and put in order by the address. */
export default function Designs({ loaderData }: Route.ComponentProps) {
	const { designs, filter, page, pageCount } = loaderData
	const isLess = isNarrowed(filter)
	return (
		<>
			<div className="page-head">
				<h1>Designs</h1>
				<p className="soft">What you teach, with its pieces, steps and waits.</p>
				<div className="row push">
					<LinkButton to="/designs/import">Import</LinkButton>
					<FileLink href={exportLink(isLess ? designs : [])} icon={<DownloadOutlined aria-hidden />} download>
						{isLess ? 'Export these' : 'Export all'}
					</FileLink>
					<LinkButton type="primary" to="/designs/new">
						New design
					</LinkButton>
				</div>
			</div>
			<DesignSearch isNarrowed={isLess} count={loaderData.count} />
			{designs.length === 0 ? (
				<NothingFound isNarrowed={isLess} />
			) : (
				<ul className="design-list">
					{designs.map((design) => (
						<DesignRow key={design.slug} design={design} />
					))}
				</ul>
			)}
			<PageLinks page={page} pageCount={pageCount} />
		</>
	)
}

/** @param only - none: all there are */
function exportLink(only: readonly Summary[]): string {
	const search = new URLSearchParams(only.map(({ slug }) => ['only', slug]))
	return only.length === 0 ? '/designs/export' : `/designs/export?${search}`
}

function DesignRow({ design }: { design: Summary }) {
	return (
		<li className="sheet">
			<img
				src={`/designs/${design.slug}/picture.svg?v=${design.version}`}
				width={170}
				height={170}
				loading="lazy"
				alt=""
			/>
			<div className="stack">
				<h2>
					<Link to={`/designs/${design.slug}`}>{design.name}</Link>
				</h2>
				<p className="soft small">
					{KIND_WORDS[design.kind]} · level {design.level}, {describeLevel(design.level)} ·{' '}
					{design.hasWires ? 'wired' : 'no wires'}
					{design.audience === 'children' && ' · for children'}
				</p>
				<p>{design.summary}</p>
				<p className="design-times">
					<strong>{duration(design.handsOnMinutes)}</strong> hands-on · <strong>{wait(design.elapsedMinutes)}</strong>{' '}
					with drying
				</p>
			</div>
		</li>
	)
}

function NothingFound({ isNarrowed }: { isNarrowed: boolean }) {
	return (
		<section className="sheet empty">
			<h2>{isNarrowed ? 'No design is like that' : 'The design book is empty'}</h2>
			<p className="soft">
				{isNarrowed ? 'Ask for less, or write it down.' : 'Write down what you teach, or take in a file.'}
			</p>
			<div className="row">
				<LinkButton type="primary" to="/designs/new">
					New design
				</LinkButton>
				{isNarrowed && <LinkButton to="/designs">Show all</LinkButton>}
			</div>
		</section>
	)
}
