import type { BodyView } from './body-zones'

/** Half of the body from the front, from the middle of the neck round to the crotch; the other half is its mirror. */
const half =
  'M150 58 L164 60 C164 78 166 86 178 90 C198 95 211 102 214 122 C218 142 226 156 234 174 C242 194 250 214 253 234 ' +
  'C256 248 268 262 270 284 C272 304 264 322 255 322 C247 322 246 308 241 306 C234 302 238 282 236 264 L233 240 ' +
  'C224 222 213 202 207 184 C200 166 196 152 194 140 C193 162 187 178 187 194 C188 214 197 228 199 252 ' +
  'C201 290 198 322 190 352 C193 376 191 408 181 444 C180 462 188 488 194 508 C198 524 168 530 164 514 ' +
  'C161 492 165 466 162 444 C155 412 154 380 158 354 C154 322 152 288 150 262 Z'
const side =
  'M136 58 C138 76 132 84 122 94 C108 110 112 138 114 160 C118 182 112 202 110 224 C106 250 116 280 124 312 C128 330 128 342 130 354 ' +
  'C120 380 124 412 136 444 C138 468 134 486 130 500 C124 520 134 528 150 528 L194 528 C204 526 200 512 186 508 C172 500 166 482 164 460 ' +
  'C166 428 172 396 170 362 C178 330 186 290 184 252 C184 226 182 206 186 186 C190 164 190 138 182 118 C178 104 168 92 166 74 L166 58 Z'
const sideArm =
  'M136 112 C144 98 166 100 172 116 C190 134 214 146 236 168 C250 186 252 212 250 236 C256 250 262 266 262 288 C262 310 254 324 244 322 ' +
  'C234 322 232 300 230 276 C230 262 232 250 230 238 C226 216 218 202 204 190 C180 172 146 152 138 130 Z'

/** The outlines of a view, each a closed path in the units of the chart, with whether it is mirrored. */
export function outlinesOf(view: BodyView): readonly { readonly path: string; readonly isMirrored: boolean }[] {
  if (view === 'side')
    return [
      { path: side, isMirrored: false },
      { path: sideArm, isMirrored: false },
    ]
  return [
    { path: half, isMirrored: false },
    { path: half, isMirrored: true },
  ]
}
