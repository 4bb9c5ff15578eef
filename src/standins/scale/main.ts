import { serveDevice } from '../line-device/serve-device'
import { scale } from './scale'

serveDevice(scale)
