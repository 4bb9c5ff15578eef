import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { tryAnchorFile } from '../../../src/server/ground/anchor-file'
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
      secondFactorOf: 'nobody',
      hasCareTeams: false,
      masterKey: null,
      pager: null,
      proxies: [],
      hosts: ['localhost', '127.0.0.1', '[::1]'],
      anchorFile: null,
      readsFile: null,
      logLevel: 'warn',
      drainMs: 0,
    })
  })

  it('tries the file of anchors, and says why it cannot be written', () => {
    const folder = mkdtempSync(join(tmpdir(), 'wren-anchors-'))
    tryAnchorFile(join(folder, 'anchors'))
    expect(readFileSync(join(folder, 'anchors'), 'utf8')).to.equal('')
    expect(() => tryAnchorFile(join(folder, 'none', 'anchors'))).to.throw(
      /WREN_ANCHORS names .*, which cannot be written: its folder is not there/,
    )
    expect(() => tryAnchorFile(folder)).to.throw(/which cannot be written: the server may not write there/)
    rmSync(folder, { recursive: true })
  })

  it('never says the address of the database, which holds a password', () => {
    for (const url of ['s3cret', 'postgres://a:s3cret@h/d', 'mariadb://a:s3cret@h', 'mariadb://a:s3cret%@h/d', 'mariadb://a:s3cret#@h/d'])
      expect(() => readConfiguration({ DATABASE_URL: url })).to.throw(/^(?!.*s3cret)/)
    expect(readConfiguration({ DATABASE_URL: 'mariadb://a:s%40cret@h:3306/d' }).databaseUrl).to.equal('mariadb://a:s%40cret@h:3306/d')
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
    ['WREN_SECOND_FACTOR', 'yes', /WREN_SECOND_FACTOR must be one of 0, 1, all, not "yes"/],
    ['WREN_DRAIN_S', '61', /WREN_DRAIN_S must be a whole number from 0 to 60/],
    ['DATABASE_URL', 'localhost/wren', /DATABASE_URL is no address/],
    ['DATABASE_URL', 'postgres://a:b@h/d', /DATABASE_URL must begin with mariadb:\/\/, not postgres:/],
    ['DATABASE_URL', 'mariadb://a:b@h', /DATABASE_URL names no database/],
    ['DATABASE_URL', 'mariadb://a:100%@h/d', /DATABASE_URL has a % in the password that encodes nothing/],
    ['DATABASE_URL', 'mariadb://a:b@h/d#x', /DATABASE_URL has a # in it/],
    ['WREN_HOSTS', 'https://wren.example', /WREN_HOSTS must be names alone/],
    ['WREN_HOSTS', 'wren.example:443', /WREN_HOSTS must be names alone/],
    ['WREN_PROXIES', 'the-proxy', /WREN_PROXIES must be loopback/],
    ['WREN_PROXIES', '10.0.0.0/33', /WREN_PROXIES must be loopback/],
    ['WREN_PAGER', 'http://pager', /WREN_PAGER is set and WREN_PAGER_SECRET is not/],
    ['WREN_PAGER_SECRET', 'x', /WREN_PAGER_SECRET is set and WREN_PAGER is not/],
    ['WREN_ANCHOR', 'x', /WREN_ANCHOR is no setting: check the spelling/],
    ['LOG_LEVEL', 'loud', /LOG_LEVEL must be one of/],
  ] as const)
    it(`refuses ${setting}=${value} in words`, () => {
      expect(() => readConfiguration({ ...least, [setting]: value })).to.throw(words)
    })
})
