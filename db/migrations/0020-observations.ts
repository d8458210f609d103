/** What past classes say of how long steps take: one row an occasion, as it was observed, and why it is left out, if it is. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureIndex } from '../repeatable'

const required = { allowNull: false }
const whole = { type: DataTypes.INTEGER.UNSIGNED, ...required }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await context.createTable('observations', {
		id: { ...whole, autoIncrement: true, primaryKey: true },
		studio_id: { ...whole, references: { model: 'studios', key: 'id' }, onDelete: 'CASCADE' },
		// Of the run that it comes from; of what comes from elsewhere there is none.
		course_id: {
			type: DataTypes.INTEGER.UNSIGNED,
			allowNull: true,
			references: { model: 'courses', key: 'id' },
			onDelete: 'CASCADE',
		},
		session: { type: DataTypes.SMALLINT.UNSIGNED, allowNull: true },
		observation_key: { type: DataTypes.STRING(200), ...required },
		class_name: { type: DataTypes.STRING(160), ...required },
		taught_on: { type: DataTypes.DATEONLY, ...required },
		source: { type: DataTypes.STRING(12), ...required },
		document: { type: DataTypes.JSON, ...required },
		left_out: { type: DataTypes.STRING(200), allowNull: true },
	})
	await ensureIndex(context, 'observations', ['studio_id', 'observation_key'], { unique: true })
	await ensureIndex(context, 'observations', ['course_id', 'session'])
}
