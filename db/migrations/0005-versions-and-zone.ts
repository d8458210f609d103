/** Everything that two windows may change has a version or a time; a studio has a time zone; wrong passwords are counted here. */
import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize'
import { makeCard } from '../../core/design/design-card'
import type { Design } from '../../core/design/design'
import { upgradeDesign } from '../../core/design/upgrade-design'
import { ensureColumn, ensureIndex } from '../repeatable'

const version = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 1 }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'studios', 'time_zone', {
		type: DataTypes.STRING(60),
		allowNull: false,
		// Studios that there are have lived by the clock of this machine.
		defaultValue: Intl.DateTimeFormat().resolvedOptions().timeZone,
	})
	await ensureColumn(context, 'courses', 'people_version', version)
	await ensureColumn(context, 'courses', 'money_version', version)
	await ensureColumn(context, 'courses', 'unpacked_at', { type: DataTypes.DATE(3), allowNull: true })
	for (const table of ['stock_items', 'suppliers', 'offers']) await ensureColumn(context, table, 'version', version)
	// A line taken out again stays, so that a tick of before cannot come back.
	await ensureColumn(context, 'packing_ticks', 'is_packed', {
		type: DataTypes.BOOLEAN,
		allowNull: false,
		defaultValue: true,
	})
	await ensureIndex(context, 'stock_items', ['studio_id', 'kind', 'name'])
	// The columns of the library that counts in it.
	await context.createTable('sign_in_failures', {
		key: { type: DataTypes.STRING(255), primaryKey: true },
		points: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 },
		expire: { type: DataTypes.BIGINT.UNSIGNED, allowNull: true },
	})
	await fillCards(context)
}

/** Designs that were stored before there were cards get theirs; a card can be worked out again at any time. */
async function fillCards(context: QueryInterface): Promise<void> {
	const rows = await context.sequelize.query<{ id: number; document: Design | string }>(
		'SELECT id, document FROM designs WHERE card IS NULL',
		{ type: QueryTypes.SELECT },
	)
	for (const { id, document } of rows) {
		const design = upgradeDesign(typeof document === 'string' ? JSON.parse(document) : document) as Design
		const replacements = { id, card: JSON.stringify(makeCard(design)) }
		await context.sequelize.query('UPDATE designs SET card = :card WHERE id = :id', { replacements })
	}
}
