import schema from '../../../../exchange/schemas/design.schema.json'

/** The published form of a design: open to everybody, since it tells nothing of anybody. */
export function loader() {
	return new Response(JSON.stringify(schema, null, '\t'), {
		headers: { 'Content-Type': 'application/schema+json', 'Cache-Control': 'public, max-age=3600' },
	})
}
