/** One-time codes beside a password, for whoever wants them, and words for the day on which the device with them is lost. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn } from '../repeatable'

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	await ensureColumn(context, 'users', 'code_secret', { type: DataTypes.STRING(64), allowNull: true })
	await ensureColumn(context, 'users', 'asks_code', {
		type: DataTypes.BOOLEAN,
		allowNull: false,
		defaultValue: false,
	})
	// The newest step of time of which a code was taken: none works twice.
	await ensureColumn(context, 'users', 'code_step', {
		type: DataTypes.INTEGER.UNSIGNED,
		allowNull: false,
		defaultValue: 0,
	})
	await ensureColumn(context, 'users', 'recovery_hashes', { type: DataTypes.JSON, allowNull: true })
}
