import { serveDevice } from '../line-device/serve-device'
import { tape } from './tape'

serveDevice(tape)
