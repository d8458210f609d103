/** Migrates, and loads the demo into an empty database: what `npm start` does, for the development server. */
import { closeDatabase } from '../db/connection.server'
import { prepareDatabase } from '../server/prepare-database'

const [today = '', demoPassword = ''] = process.argv.slice(2)

console.log(JSON.stringify(await prepareDatabase({ today, demoPassword, resetDemo: false })))
await closeDatabase()
