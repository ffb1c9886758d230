import { notice, type Rule } from './finding'

/** Conditions that a comparison will ask for and nobody noted. */
export const conditionsMissing: Rule = ({ context: { unknownConditions } }) =>
  unknownConditions.length === 0
    ? []
    : [
        notice(
          'conditions-missing',
          `Not known: ${unknownConditions.join(', ')}.`,
          'Note them under “Made under”: what is unknown is not equal to anything.',
        ),
      ]
