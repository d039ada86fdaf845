/** How an item of a drum's menu looks. */
export const ITEM = 'min-h-11 cursor-pointer outline-none data-[highlighted]:bg-case'
