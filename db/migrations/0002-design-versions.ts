/** Every version of a design is kept, and a course says which one it was planned with; lists get what they show. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn, ensureIndex } from '../repeatable'

const id = { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('design_versions', {
		id,
		design_id: {
			type: DataTypes.INTEGER.UNSIGNED,
			allowNull: false,
			references: { model: 'designs', key: 'id' },
			onDelete: 'CASCADE',
		},
		version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
		document: { type: DataTypes.JSON, allowNull: false },
		created_at: { type: DataTypes.DATE(3), allowNull: false },
	})
	await ensureIndex(context, 'design_versions', ['design_id', 'version'], { unique: true })
	await context.sequelize.query(
		'INSERT IGNORE INTO design_versions (design_id, version, document, created_at) SELECT id, version, document, updated_at FROM designs',
	)
	// Null until the design is next saved or listed: what a card holds is core's business.
	await ensureColumn(context, 'designs', 'card', { type: DataTypes.JSON, allowNull: true })
	await ensureColumn(context, 'course_designs', 'design_version', { type: DataTypes.INTEGER.UNSIGNED, allowNull: true })
	await context.sequelize.query(
		'UPDATE course_designs cd JOIN courses c ON c.id = cd.course_id JOIN designs d ON d.studio_id = c.studio_id AND d.slug = cd.slug SET cd.design_version = d.version',
	)
}
