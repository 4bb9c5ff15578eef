import { serveDevice } from '../line-device/serve-device'
import { goniometer } from './goniometer'

serveDevice(goniometer)
