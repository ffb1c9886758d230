/** What a survey has in hand is kept as it is read: a reload loses none of it. */
export { loadSurvey, loadSurveyMeter, saveSurvey, saveSurveyMeter } from '../storage/surveyInHand'
