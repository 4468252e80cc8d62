/** A searched list as it looks wherever it stands: the field, what is found, and the headings between. */
export const searchedList = {
  field: 'w-full border-b border-hairline bg-transparent px-3 py-1.5 -outline-offset-2',
  list: 'overflow-y-auto py-1',
  group:
    '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-1.5 [&_[cmdk-group-heading]]:text-fine [&_[cmdk-group-heading]]:text-soft',
  item: 'flex cursor-pointer justify-between gap-4 px-3 py-1 data-[selected=true]:bg-base-300',
} as const;
