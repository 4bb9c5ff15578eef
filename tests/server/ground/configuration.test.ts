import { expect } from 'chai'
import { readConfiguration } from '../../../src/server/ground/configuration'

const least = { DATABASE_URL: 'mariadb://wren:x@127.0.0.1:3306/zesty_wren' }

describe('the configuration', () => {
  it('is safe where nothing is said', () => {
    expect(readConfiguration(least)).to.deep.equal({
      databaseUrl: least.DATABASE_URL,
      isCluster: false,
      port: 4180,
      metricsPort: null,
      isSecure: false,
      wantsSecondFactor: false,
      proxies: [],
      hosts: ['localhost', '127.0.0.1', '[::1]'],
      anchorFile: null,
      logLevel: 'warn',
      drainMs: 0,
    })
  })

  it('reads what is said', () => {
    const read = readConfiguration({
      ...least,
      PORT: '4200',
      WREN_METRICS_PORT: '9180',
      WREN_SECURE: '1',
      WREN_PROXIES: 'loopback, 10.0.0.0/8',
      WREN_HOSTS: 'Wren.Hospital.example other',
      WREN_ANCHORS: '/var/lib/zesty-wren/anchors',
      LOG_LEVEL: 'info',
      WREN_DRAIN_S: '3',
    })
    expect(read).to.include({ port: 4200, metricsPort: 9180, isSecure: true, logLevel: 'info', drainMs: 3_000 })
    expect(read.proxies).to.deep.equal(['loopback', '10.0.0.0/8'])
    expect(read.hosts).to.include.members(['wren.hospital.example', 'other', 'localhost'])
  })

  for (const [setting, value, words] of [
    ['DATABASE_URL', '', /DATABASE_URL is not set/],
    ['PORT', 'http', /PORT must be a whole number from 0 to 65535, not "http"/],
    ['PORT', '70000', /PORT must be a whole number/],
    ['PORT', '', /PORT must be a whole number/],
    ['WREN_METRICS_PORT', '-1', /WREN_METRICS_PORT must be/],
    ['WREN_SECURE', 'yes', /WREN_SECURE must be 1 or 0, not "yes"/],
    ['WREN_DRAIN_S', '61', /WREN_DRAIN_S must be a whole number from 0 to 60/],
    ['LOG_LEVEL', 'loud', /LOG_LEVEL must be one of/],
  ] as const)
    it(`refuses ${setting}=${value} in words`, () => {
      expect(() => readConfiguration({ ...least, [setting]: value })).to.throw(words)
    })
})
