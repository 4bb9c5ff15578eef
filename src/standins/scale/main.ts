import { serveDevice } from '../line-instrument/serve-instrument'
import { scale } from './scale'

serveDevice(scale)
