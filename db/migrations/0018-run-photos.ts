/** Photos that were taken in class, by the ids that their devices gave them; they go with their course. */
import { DataTypes, type QueryInterface } from 'sequelize'

const required = { allowNull: false }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('run_photos', {
		course_id: {
			type: DataTypes.INTEGER.UNSIGNED,
			...required,
			primaryKey: true,
			references: { model: 'courses', key: 'id' },
			onDelete: 'CASCADE',
		},
		photo_id: { type: DataTypes.CHAR(36), ...required, primaryKey: true },
		bytes: { type: DataTypes.BLOB('medium'), ...required },
		received_at: { type: DataTypes.DATE(3), ...required },
	})
}
