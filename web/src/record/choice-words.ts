import { type Route, routeTemplates } from '@yentrik/core'

/** The ways chosen for a job, in words: Cure: Long, then boil. */
export function choiceWords(route: Route): string {
  const matters = routeTemplates.get(route.templateId)?.matters ?? []
  return Object.entries(route.choices)
    .map(([id, choice]) => {
      const matter = matters.find((each) => each.id === id)
      return `${matter?.name ?? id}: ${matter?.choices.find((each) => each.id === choice)?.name ?? choice}`
    })
    .join('; ')
}
