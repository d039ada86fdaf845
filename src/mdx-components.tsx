import type { MDXComponents } from 'mdx/types'
import { PARTS } from '@/handbook/parts'

/** What entries of the Handbook may use by name; Next asks for it here. */
export const useMDXComponents = (): MDXComponents => PARTS
