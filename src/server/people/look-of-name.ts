import unhomoglyph from 'unhomoglyph'
import { signInForm } from '#contract/sign-in-name'

/**
 * What a name looks like: without accents, each sign as the one that it is taken for (Unicode's confusables). Two names of one look are taken for
 * one another when they are read.
 */
export function lookOf(name: string): string {
  const bare = signInForm(name).normalize('NFD').replace(/\p{M}/gu, '')
  return unhomoglyph(bare).normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
}
