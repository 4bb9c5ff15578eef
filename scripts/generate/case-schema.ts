import { castMaterials } from '#core/model/device'
import { levels } from '#core/model/finding'
import { limits } from '#core/model/limits'
import { orderWays, oxygenRoutes, postures, spinePositions } from '#core/model/orders'
import { injuryFlags, patientFlags, patterns, regions, sides, swellings } from '#core/model/vocabulary'
import { toolIds, unitIds } from '#core/quantities/units'

function figure(name: keyof typeof limits, type: string | readonly string[] = 'number') {
  return { type, minimum: limits[name].least, maximum: limits[name].greatest }
}

const words = { what: { type: 'string', description: 'What else was said of it.' } }

/** An order: who, when, how it came, from when and until when; what nobody signs is none. */
function order(properties: object, required: readonly string[], description?: string): object {
  const time = { type: 'string', description: 'ISO 8601 with offset.' }
  return {
    type: 'object',
    ...(description === undefined ? {} : { description }),
    required: ['by', ...required],
    additionalProperties: false,
    properties: {
      by: { type: 'string', description: 'By name.' },
      at: time,
      how: { enum: [...orderWays] },
      from: time,
      until: time,
      withdrawn: { type: 'boolean' },
      ...properties,
    },
  }
}

/** The published schema of a case file: its words and limits are the core's own. */
export function caseSchema(): object {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'urn:zesty-wren:case:1',
    title: 'Zesty Wren case, version 1',
    description: 'One device on one patient. Unknown fields are reported; a reading that no body could have is kept and marked.',
    type: 'object',
    required: ['format', 'version', 'technique'],
    additionalProperties: false,
    properties: {
      format: {
        const: 'zesty-wren/case',
      },
      version: {
        const: 1,
      },
      schemas: {
        type: 'string',
        description: 'Of the version that saved it; left out in a file that was written by hand.',
      },
      technique: {
        type: 'string',
        description: 'An id that `wren techniques` lists.',
      },
      patient: {
        type: 'object',
        properties: {
          ageYears: figure('ageYears'),
          sex: {
            type: 'string',
          },
          heightCm: figure('heightCm'),
          massKg: figure('massKg'),
          flags: {
            type: 'array',
            items: {
              enum: [...patientFlags],
            },
          },
        },
      },
      injury: {
        type: 'object',
        properties: {
          region: {
            enum: [...regions],
          },
          side: {
            enum: [...sides],
          },
          pattern: {
            enum: [...patterns],
          },
          flags: {
            type: 'array',
            items: {
              enum: [...injuryFlags],
            },
          },
          swelling: {
            enum: [...swellings],
          },
          levelCm: {
            ...figure('levelCm', ['number', 'null']),
            description: 'cm along the limb from its distal end: heel sole, or wrist crease.',
          },
        },
      },
      options: {
        type: 'object',
        additionalProperties: {
          type: ['string', 'number'],
        },
      },
      measurements: {
        type: 'array',
        items: {
          type: 'object',
          required: ['id', 'value'],
          properties: {
            id: {
              type: 'string',
            },
            side: {
              enum: [...sides],
            },
            value: {
              type: ['number', 'string'],
              description: 'A figure in `unit`, or a text such as "15 1/4 in" without one.',
            },
            unit: {
              enum: [...unitIds],
            },
            tool: {
              enum: [...toolIds],
            },
            key: {
              type: 'string',
            },
            occasion: {
              type: 'string',
            },
            typed: {
              type: 'string',
            },
            posture: {
              type: 'string',
            },
            by: {
              type: 'string',
            },
            at: {
              type: 'string',
              description: 'ISO 8601 with offset.',
            },
            confirmed: {
              type: 'boolean',
            },
            supersedes: {
              type: 'string',
            },
            breadthCm: figure('breadthCm'),
            planeCm: figure('planeCm'),
          },
        },
      },
      crew: {
        type: 'object',
        properties: {
          people: figure('people', 'integer'),
        },
      },
      environment: {
        type: 'object',
        properties: {
          waterC: figure('waterC'),
          roomC: figure('roomC'),
          backing: {
            enum: ['air', 'pillow'],
          },
          packSetMin: figure('packSetMin'),
          stretcherCm: figure('stretcherCm'),
        },
      },
      stock: {
        oneOf: [
          {
            const: 'catalogue',
          },
          {
            type: 'array',
            items: {
              type: 'object',
              properties: {
                item: {
                  type: 'string',
                },
                technique: {
                  type: 'string',
                },
                size: {
                  type: 'string',
                },
                setting: {
                  type: 'number',
                },
                widthCm: {
                  type: 'number',
                },
                lengthCm: {
                  type: 'number',
                },
                count: {
                  type: 'number',
                  minimum: 0,
                },
                prefer: {
                  enum: ['larger', 'smaller'],
                },
                fits: {
                  type: 'object',
                  additionalProperties: {
                    type: 'array',
                    items: {
                      type: 'number',
                    },
                    minItems: 2,
                    maxItems: 2,
                  },
                },
              },
            },
          },
        ],
      },
      wearDays: figure('wearDays'),
      orders: {
        type: 'object',
        description: 'What has been ordered, as far as techniques ask for it.',
        additionalProperties: false,
        properties: {
          woundPlan: {
            type: 'boolean',
          },
          openNow: {
            type: 'boolean',
          },
          oxygen: {
            enum: [...oxygenRoutes],
          },
          week: {
            ...figure('week'),
            description: 'Week of treatment.',
          },
          spine: {
            description: 'How far the spine may be raised; the bare word of before names nobody.',
            oneOf: [{ enum: [...spinePositions] }, order({ posture: { enum: [...spinePositions] } }, ['posture'])],
          },
          countertraction: order(words, [], 'A groin sling in place of the raised foot of the bed.'),
          weight: order({ allowed: { type: 'string' } }, [], 'Weight bearing.'),
          pull: order({ kg: figure('rigKg') }, ['kg']),
          posture: order({ posture: { enum: [...postures] } }, ['posture'], 'How the patient is to lie.'),
          angle: order({ deg: figure('stopDeg'), what: { type: 'string' } }, ['deg']),
          leave: order(words, [], 'It stays as it is.'),
          fasting: order(words, [], 'Nothing by mouth.'),
          cut: order(words, [], 'It is cut open now.'),
          loosen: order(words, []),
          close: order(words, [], 'What was opened is closed again.'),
          noResuscitation: order(words, [], 'No resuscitation.'),
          atHome: order(words, [], 'It may be taken off and put on again at home.'),
          brace: order({ extensionStop: figure('stopDeg'), flexionStop: figure('stopDeg'), lock: { type: ['string', 'number'] } }, [
            'extensionStop',
            'flexionStop',
            'lock',
          ]),
          wedges: {
            type: 'array',
            maxItems: 20,
            items: {
              type: 'object',
              required: ['week', 'count'],
              properties: {
                week: figure('week'),
                count: figure('wedges', 'integer'),
              },
            },
          },
        },
      },
      replaces: { type: 'string', description: 'Id of the technique of what is on and comes off for this one.' },
      device: {
        type: 'object',
        description: 'A cast that is already on.',
        additionalProperties: false,
        properties: {
          material: {
            enum: [...castMaterials],
          },
          layers: figure('deviceLayers'),
          paddingLayers: figure('devicePaddingLayers'),
          topCm: { ...figure('deviceTopCm'), description: 'Its upper end above the heel sole.' },
          minutesSince: {
            ...figure('deviceMinutes'),
            description: 'Minutes since it was applied.',
          },
          lastRound: {
            enum: [...levels],
            description: '`urgent` lifts the wait before opening.',
          },
        },
      },
      appliedAt: {
        type: 'string',
      },
      zone: {
        type: 'string',
      },
      seed: {
        type: 'integer',
      },
      overrules: {
        type: 'array',
        items: {
          type: 'object',
          required: ['reason'],
          properties: {
            decision: {
              type: 'string',
            },
            caution: {
              type: 'string',
            },
            value: {},
            reason: {
              type: 'string',
              minLength: 1,
            },
            by: {
              type: 'string',
            },
            at: {
              type: 'string',
            },
          },
          oneOf: [
            {
              required: ['decision', 'value'],
            },
            {
              required: ['caution'],
            },
          ],
        },
      },
    },
  }
}
