import { expect } from 'chai';
import fc from 'fast-check';
import { isSameThread, threadOf, THREADS } from '../../../../src/core/optics/threads.ts';
import { holds } from '../../../support/properties.ts';

describe('threads', () => {
  it('have one spelling, however they are typed', () => {
    for (const typed of ['M48', ' m48 ', 'M 48', 'M48 x 0.75', 'm48×0,75', 'M48*0.750', 'M48x0.75 mm'])
      expect(threadOf(typed), typed).to.equal('M48x0.75');
    expect(['M42', 'M42x1', 'M42x1.0', 'T2', 'c-mount', '2"'].map(threadOf)).to.deep.equal([
      'M42x0.75',
      'M42x1',
      'M42x1',
      'M42x0.75',
      'C 1 in x32',
      'Barrel 2 in',
    ]);
    expect(THREADS.map(threadOf)).to.deep.equal([...THREADS]);
  });

  it('a pitch of its own is another thread, and what no list knows stays as it was typed', () => {
    expect(isSameThread('M42x0.75', 'M42x1')).to.equal(false);
    expect([threadOf('M45'), threadOf(' my  own ring ')]).to.deep.equal(['M45', 'my own ring']);
    expect(isSameThread('My own ring', 'my own  ring')).to.equal(true);
  });

  it('spelled once they are spelled for good', () =>
    holds(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.double({ min: 10, max: 99, noNaN: true }).map((d) => `M${d}`),
        ),
        (typed) => {
          expect(threadOf(threadOf(typed))).to.equal(threadOf(typed));
        },
      ),
    ));
});
