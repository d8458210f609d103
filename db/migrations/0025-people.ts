/** What people of a studio may do, the devices they are signed in on, and links that open something once. */
import { DataTypes, type QueryInterface } from 'sequelize'
import { ensureColumn, ensureIndex } from '../repeatable'

const whole = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false }
const moment = { type: DataTypes.DATE(3), allowNull: false }

export async function up({ context }: { context: QueryInterface }): Promise<void> {
	// Whoever is there has founded her studio.
	await ensureColumn(context, 'users', 'role', {
		type: DataTypes.STRING(12),
		allowNull: false,
		defaultValue: 'owner',
	})
	await ensureColumn(context, 'sign_ins', 'device', {
		type: DataTypes.STRING(80),
		allowNull: false,
		defaultValue: '',
	})
	await ensureColumn(context, 'sign_ins', 'seen_at', { type: DataTypes.DATE(3), allowNull: true })
	const belongsTo = (model: string) => ({
		type: DataTypes.INTEGER.UNSIGNED,
		allowNull: true,
		references: { model, key: 'id' },
		onDelete: 'CASCADE',
	})
	await context.createTable('links', {
		id: { ...whole, autoIncrement: true, primaryKey: true },
		token_hash: { type: DataTypes.CHAR(64), allowNull: false, unique: true },
		kind: { type: DataTypes.STRING(12), allowNull: false },
		studio_id: belongsTo('studios'),
		user_id: belongsTo('users'),
		email: { type: DataTypes.STRING(190), allowNull: true },
		role: { type: DataTypes.STRING(12), allowNull: true },
		expires_at: moment,
		created_at: moment,
	})
	await ensureIndex(context, 'links', ['studio_id', 'kind'])
}
