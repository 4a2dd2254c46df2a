'use client';
import type { Answer } from '@inkwell/store';
import type { AnswerGiven, AnswerReach, Problem, QuestionsShown, QuestionView } from '@inkwell/review';
import { useCallback, useEffect, useRef, useState } from 'react';
import { send } from '@/ui/send';

/** A question that was answered in this sitting. */
export interface Answered {
  question: QuestionView;
  answer: Answer | 'described';
  /** What came of it; null until the server has said so. */
  given: AnswerGiven | null;
  /** The job that describes its image anew. */
  together?: string;
}

/** Questions at hand below which more are asked for. */
const FEW = 15;

/** The questions in turn: answered at once and sent behind the person's back, passed over, taken back. */
export function useQuestions(shown: QuestionsShown, rule: string | null) {
  const [queue, setQueue] = useState(shown.questions);
  const [kinds, setKinds] = useState(shown.kinds);
  const [answered, setAnswered] = useState<readonly Answered[]>([]);
  const [problem, setProblem] = useState<Problem | null>(null);
  const passed = useRef<string[]>([]);
  // What came of each, for whoever takes it back before the screen has heard of it.
  const came = useRef(new Map<string, Promise<Answered | null>>());
  const sending = useRef(new Set<string>());
  const isAsking = useRef(false);
  const isAll = useRef(shown.questions.length === 0);
  const { waiting } = shown;

  const more = useCallback(
    async (now: readonly QuestionView[]) => {
      if (isAsking.current || isAll.current || now.length >= FEW) return;
      isAsking.current = true;
      const skip = [...passed.current, ...now.map(({ same }) => same), ...sending.current];
      const sent = await send<QuestionsShown>('/api/questions/ask', { waiting, rule, skip });
      isAsking.current = false;
      if (!sent.ok) return setProblem(sent.problem);
      isAll.current = sent.value.questions.length === 0;
      setKinds(sent.value.kinds);
      setQueue((before) => [...before, ...sent.value.questions.filter(({ same }) => !before.some((one) => one.same === same))]);
    },
    [waiting, rule],
  );
  useEffect(() => void more(queue), [more, queue]);

  const give = useCallback((question: QuestionView, answer: Answer, reach: AnswerReach, reason: string) => {
    const { finding, page, same } = question;
    setProblem(null);
    setQueue((now) => now.filter((one) => one.same !== same));
    setAnswered((now) => [{ question, answer, given: null }, ...now]);
    const going = send<AnswerGiven>('/api/questions/give', { finding, page, same, answer, reach, reason }).then((sent) => {
      if (sent.ok) {
        const done = { question, answer, given: sent.value };
        setAnswered((now) => now.map((one) => (one.question.same === same ? done : one)));
        return done;
      }
      setProblem(sent.problem);
      setAnswered((now) => now.filter((one) => one.question.same !== same));
      // What the evidence, or somebody else, has settled meanwhile is asked no more.
      if (sent.problem.code !== 'nothing-to-do' && sent.problem.code !== 'conflict') setQueue((now) => [question, ...now]);
      return null;
    });
    came.current.set(same, going);
    sending.current.add(same);
    void going.then(() => sending.current.delete(same));
  }, []);

  const describe = useCallback(async (question: QuestionView, reach: AnswerReach, alternative: string): Promise<boolean> => {
    const { page, same } = question;
    const sent = await send<{ together: string; pages: number }>('/api/questions/describe', { page, same, reach, alternative });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return false;
    // It is asked until an audit has seen the new words.
    sending.current.add(same);
    const { together, pages } = sent.value;
    setQueue((now) => now.filter((one) => one.same !== same));
    const given = { answer: 0, findings: 0, pages, more: false, outcome: 'holds' as const };
    setAnswered((now) => [{ question, answer: 'described', given, together }, ...now]);
    return true;
  }, []);

  const pass = useCallback((question: QuestionView) => {
    passed.current.push(question.same);
    setQueue((now) => now.filter((one) => one.same !== question.same));
  }, []);

  const [last] = answered;
  const takeBack = useCallback(async () => {
    if (!last) return;
    const given = last.given ?? (await came.current.get(last.question.same))?.given;
    if (!given) return;
    const sent = last.together
      ? await send(`/api/mends/${last.together}/take-back`, {})
      : await send<AnswerGiven>('/api/questions/back', { answer: given.answer });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setAnswered((now) => now.filter((one) => one.question.same !== last.question.same));
    setQueue((now) => [last.question, ...now]);
  }, [last]);

  const startAgain = useCallback(() => {
    passed.current = [];
    isAll.current = false;
    void more([]);
  }, [more]);

  return { queue, kinds, answered, problem, setProblem, passedOver: passed.current.length, give, describe, pass, takeBack, startAgain };
}
