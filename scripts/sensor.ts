/** `npm run sensor -- [port] [seed]`: the stand-in for a room sensor as a process of its own, on loopback. */
import { demoZone, wallNow } from '../app/shared/http/studio-clock.server'
import { USUAL_ROOM } from '../core/readings/simulated-room'
import { createSensor } from '../server/sensor'

const [port = 4785, seed = USUAL_ROOM.seed] = process.argv.slice(2).map(Number)

if (![port, seed].every(Number.isInteger)) {
	console.error('usage: npm run sensor -- [port] [seed]')
	process.exitCode = 2
} else {
	const server = createSensor(() => wallNow(demoZone()), { ...USUAL_ROOM, seed })
	server.on('error', (error) => {
		console.error(`The sensor cannot listen on port ${port}: ${error.message}`)
		process.exitCode = 1
	})
	server.listen(port, '127.0.0.1', () => {
		console.log(
			`Room sensor at http://127.0.0.1:${port}/now\nStart Calycine with CALYCINE_SENSOR_URL=http://127.0.0.1:${port}`,
		)
	})
}
