/**
 * Designs are kept in the second form; the paste that the first form called stiffened has its new name wherever it stands.
 * Statements that find nothing more to do change nothing, so that it may be done again.
 */
import { QueryTypes, type QueryInterface } from 'sequelize'
import { makeCard } from '../../core/design/design-card'
import type { Design } from '../../core/design/design'
import { upgradeDesign, upgradePaste } from '../../core/design/upgrade-design'

interface StoredDocument {
	id: number
	document: unknown
}

export async function up({ context: { sequelize } }: { context: QueryInterface }): Promise<void> {
	const isOld = "JSON_VALUE(document, '$.formatVersion') = 1"
	const select = { type: QueryTypes.SELECT } as const
	const designs = await sequelize.query<StoredDocument>(`SELECT id, document FROM designs WHERE ${isOld}`, select)
	for (const { id, document } of designs) {
		const design = upgradeDesign(parsed(document)) as Design
		const replacements = { id, document: JSON.stringify(design), card: JSON.stringify(makeCard(design)) }
		await sequelize.query('UPDATE designs SET document = :document, card = :card WHERE id = :id', { replacements })
	}
	const versions = await sequelize.query<StoredDocument & { version: number }>(
		`SELECT design_id AS id, version, document FROM design_versions WHERE ${isOld}`,
		select,
	)
	for (const { id, version, document } of versions) {
		const replacements = { id, version, document: JSON.stringify(upgradeDesign(parsed(document))) }
		await sequelize.query(
			'UPDATE design_versions SET document = :document WHERE design_id = :id AND version = :version',
			{ replacements },
		)
	}
	const renamed = { before: 'stiffened sugarpaste', now: upgradePaste('stiffened sugarpaste') }
	await sequelize.query('UPDATE drying_notes SET paste = :now WHERE paste = :before', { replacements: renamed })
	await sequelize.query("UPDATE stock_items SET name = :now WHERE kind = 'paste' AND name = :before", {
		replacements: renamed,
	})
	await sequelize.query(
		'UPDATE studios SET own_pastes = REPLACE(own_pastes, :before, :now) WHERE own_pastes IS NOT NULL',
		{
			replacements: { before: `"like":"${renamed.before}"`, now: `"like":"${renamed.now}"` },
		},
	)
}

/** MariaDB keeps JSON as text. */
function parsed(document: unknown): unknown {
	return typeof document === 'string' ? JSON.parse(document) : document
}
