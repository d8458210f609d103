import { Link } from 'react-router'

/** A tile that opens its card beside the picture; the page stays where it is. */
export function TileLink(props: { to: string; className: string; 'aria-label': string; children: React.ReactNode }) {
	return <Link {...props} preventScrollReset replace />
}
