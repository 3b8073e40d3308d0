import { useState } from 'react'
import { useNavigate } from 'react-router'
import { Menu, MenuItem } from '../parts/Menu.tsx'
import { FeedsSheet } from './FeedsSheet.tsx'

interface PlanMenuProps {
  readonly showPlaces: boolean
  readonly onPlaces: () => void
  readonly mayDecide: boolean
  readonly onAnew: () => void
}

/** What is done with the plan as a whole: printed, given out, made again. */
export function PlanMenu({ showPlaces, onPlaces, mayDecide, onAnew }: PlanMenuProps) {
  const go = useNavigate()
  const [feeds, setFeeds] = useState(false)
  return (
    <>
      <Menu name="More" small opensDown>
        <MenuItem name="Print the day" onPick={() => go('/papers/plan/1')} />
        <MenuItem name="Print the week" onPick={() => go('/papers/plan/7')} />
        <MenuItem name="As a table (CSV)" onPick={() => save('/api/plan/csv', 'plan.csv')} />
        <MenuItem name="For other solvers (JSON)" onPick={() => save('/api/plan/document', 'plan.json')} />
        <MenuItem name={showPlaces ? 'Hide press and places' : 'Show press and places'} onPick={onPlaces} />
        {mayDecide && <MenuItem name="Calendar addresses" onPick={() => setFeeds(true)} />}
        {mayDecide && <MenuItem name="Plan anew" onPick={onAnew} />}
      </Menu>
      {feeds && <FeedsSheet onClose={() => setFeeds(false)} />}
    </>
  )
}

/** Keeps what is at an address as a file, and stays where one is. */
function save(address: string, name: string): void {
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
}
