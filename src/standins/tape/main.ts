import { serveDevice } from '../line-instrument/serve-instrument'
import { tape } from './tape'

serveDevice(tape)
