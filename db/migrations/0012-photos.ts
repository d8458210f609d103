/** Photos of a design and of its steps. They are the studio's own, and go with the design. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureIndex } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('photos', {
		id: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
		studio_id: {
			type: DataTypes.INTEGER.UNSIGNED,
			allowNull: false,
			references: { model: 'studios', key: 'id' },
			onDelete: 'CASCADE',
		},
		design_id: {
			type: DataTypes.INTEGER.UNSIGNED,
			allowNull: false,
			references: { model: 'designs', key: 'id' },
			onDelete: 'CASCADE',
		},
		step_id: { type: DataTypes.STRING(60), allowNull: true },
		caption: { type: DataTypes.STRING(160), allowNull: false, defaultValue: '' },
		width_px: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
		height_px: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: false },
		bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
		version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false, defaultValue: 1 },
		created_at: { type: DataTypes.DATE(3), allowNull: false },
		updated_at: { type: DataTypes.DATE(3), allowNull: false },
	})
	await ensureIndex(context, 'photos', ['design_id'])
}
