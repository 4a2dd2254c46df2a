import { answerReader, drawSample, judgeCriterion, keepReportNow, setStatement } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { ANSWER_READER, DRAW_SAMPLE, JUDGE_CRITERION, KEEP_REPORT, STATEMENT } from '@/server/reportInputs';

/** The record, and what the public is told. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'keep':
      return answer(request, KEEP_REPORT, (services, actor, wish) => keepReportNow(services, actor, wish));
    case 'judge':
      return answer(request, JUDGE_CRITERION, (services, actor, wish) => judgeCriterion(services, actor, wish));
    case 'sample':
      return answer(request, DRAW_SAMPLE, (services, actor, wish) => drawSample(services, actor, wish));
    case 'statement':
      return answer(request, STATEMENT, (services, actor, wish) => setStatement(services, actor, wish));
    case 'answer-reader':
      return answer(request, ANSWER_READER, (services, actor, wish) => answerReader(services, actor, wish));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
