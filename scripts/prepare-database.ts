/** Migrates, and loads the demo into an empty database: what `npm start` does, for the development server. */
import { closeDatabase } from '../db/connection.server'
import { prepareDatabase } from '../server/prepare-database'

const [demoPassword = ''] = process.argv.slice(2)

console.log(JSON.stringify(await prepareDatabase({ demoPassword, resetDemo: false })))
await closeDatabase()
