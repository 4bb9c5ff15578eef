import { serveDevice } from '../line-instrument/serve-instrument'
import { goniometer } from './goniometer'

serveDevice(goniometer)
