/** `npm run -s learn -- log.json`: what past classes say of minutes, breakage and paste, and whether it is any good, as JSON. */
import { tellBeliefs } from '../exchange/learning/log-answer'
import { readLog } from '../exchange/learning/log-document'
import { runDoor } from './json-door'

runDoor('learn', ['log.json'], ([file]) => tellBeliefs(readLog(file)))
