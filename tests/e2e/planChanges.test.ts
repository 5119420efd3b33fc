import type { Page } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { benchAt, press, sampleBench, saved, shows, typeDay, type Started, until } from './bench.ts';
import { holdTo, listAllSteps, markStep, openPlan, settled, typeOver, WORK } from './planPage.ts';

describe('changing the plan', () => {
  let server: Started;
  let page: Page;
  const { errors } = sampleBench((opened) => ({ server, page } = opened));
  const bench = () => benchAt(server.address);
  const planOf = async (id: string) => (await bench()).builds.find((build) => build.id === id)!.kit.plan;
  it('says what lies ahead, with the step it stops and where to clear it', async () => {
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /Ahead: \d+ things to clear/);
    await page.$eval('[aria-label="Ahead"] > button', (button) => (button as HTMLElement).click());
    await shows(page, /No paint chosen: Body[\s\S]*settle it in the Colour stage[\s\S]*show fewer/);
  });

  it('says what a join ends the chance of, and brings a far step into sight', async () => {
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /\d+ steps, ready/);
    await listAllSteps(page);
    const list = await page.waitForSelector('[aria-label="All steps, scrolls down"]');
    // Only what is in sight is drawn.
    expect(await list!.$$eval('tbody tr', (rows) => rows.length)).toBeLessThan(80);
    await markStep(page, 'Body shell onto chassis frame');
    await shows(page, /After this, no more “[^”]+”\s*Once A1 Body shell to B1 Chassis frame is made/);
    await until(page, () => document.querySelector('.panel.lanes')!.scrollLeft > 1000, []);
    await press(page, 'button', 'show fewer');
  });

  it('says at once whether a day can be kept', async () => {
    await shows(page, /Needed by[\s\S]*(to spare|too late)/);
    const need = async (day: string, typed: string) => {
      await typeDay(page, 'Needed by', typed);
      await expect.poll(async () => (await planOf('tolliver')).deadline).toBe(day);
    };
    await need('2026-05-16', '16 May 2026');
    await shows(page, /too late[\s\S]*no plan makes it with these evenings: \w{3} \d+ \w{3} at the earliest/);
    await need('2026-12-24', '24 Dec 2026');
    await shows(page, /\d\d days to spare/);
    await page.waitForSelector('[aria-label="Among the builds"]:not(:disabled)');
    await page.select('[aria-label="Among the builds"]', 'first');
    await expect.poll(async () => (await planOf('tolliver')).priority).toBe('first');
    await settled(page);
  });

  it('shows a valid plan while it looks for a better one, and keeps it when told to', async () => {
    const before = (await bench()).plan.fingerprint;
    await page.waitForSelector('[aria-label="Among the builds"]:not(:disabled)');
    await page.select('[aria-label="Among the builds"]', 'usual');
    // Said and offered at once: a small bench is soon done looking.
    await until(page, () => {
      if (!/ready [^\n]* so far; looking for better, \d+ %/.test(document.body.innerText)) return false;
      const keep = [...document.querySelectorAll('button')].find(
        ({ textContent }) => textContent === 'keep this plan',
      );
      keep?.click();
      return keep !== undefined;
    }, []);
    await settled(page);
    await expect.poll(async () => (await bench()).plan.fingerprint).not.toBe(before);
    const kept = (await bench()).plan;
    expect(Object.keys(kept.starts).length).toBeGreaterThan(100);
    await page.reload();
    await shows(page, /\d+ steps, ready/);
    expect((await bench()).plan).toEqual(kept);
  });

  it('looks longer for a better plan when asked to, and keeps what it has found by then', async () => {
    await openPlan(page, server.address);
    const { fingerprint } = (await bench()).plan;
    await press(page, 'button', 'look longer for a better one');
    await shows(page, /so far; looking for better, \d+ %/);
    // Whoever comes back to the window finds it still looking.
    const answered = page.waitForResponse(
      (response) => response.request().method() === 'GET' && response.url().endsWith('/api/bench'),
    );
    const focusing = setInterval(() => {
      void page.evaluate(() => window.dispatchEvent(new Event('focus')));
    }, 200);
    await answered;
    clearInterval(focusing);
    await new Promise((resolve) => setTimeout(resolve, 500));
    // Asked for again while the plan that was kept is on its way to the server, it looks again.
    await page.evaluate(async () => {
      const button = (text: string) =>
        [...document.querySelectorAll('button')].find(({ textContent }) => textContent === text);
      button('keep this plan')!.click();
      const again = () => button('look longer for a better one');
      while (again()?.disabled !== false) await new Promise(requestAnimationFrame);
      again()!.click();
    });
    await shows(page, /so far; looking for better, \d+ %/);
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await press(page, 'button', 'keep this plan');
    await settled(page);
    await shows(page, /\d+ steps, ready/);
    expect((await bench()).plan.fingerprint).toBe(fingerprint);
    await page.waitForSelector('::-p-aria([name="look longer for a better one"][role="button"])');
  });

  it('says when a change ends a longer look, and goes on from what that had found', async () => {
    await openPlan(page, server.address);
    await press(page, 'button', 'look longer for a better one');
    await shows(page, /so far; looking for better, \d+ %/);
    const { fingerprint } = (await bench()).plan;
    await page.select('select[aria-label="Among the builds"]', 'first');
    await shows(page, /longer look was ended by a change.*this plan went on from what it had found\./);
    await expect.poll(async () => (await bench()).plan.fingerprint).not.toBe(fingerprint);
    await page.reload();
    await shows(page, /\d+ steps, ready/);
    expect(await page.evaluate(() => document.body.innerText)).not.toContain('longer look was ended');
    await page.select('select[aria-label="Among the builds"]', 'usual');
    await expect.poll(async () => (await planOf('tolliver')).priority).toBe('usual');
    await settled(page);
  });

  it('says on tonight’s list that the plan is still being improved', async () => {
    await openPlan(page, server.address);
    await press(page, 'button', 'look longer for a better one');
    await shows(page, /so far; looking for better, \d+ %/);
    await page.click('nav a[href="/build/tolliver/tonight"]');
    await shows(page, /these steps so far; looking for better, \d+ %/);
    await press(page, 'button', 'keep this plan');
    await settled(page);
    await page.goBack();
  });

  it('goes on from what a longer look had found when its page was left, and only once', async () => {
    await openPlan(page, server.address);
    await press(page, 'button', 'look longer for a better one');
    await shows(page, /so far; looking for better, \d+ %/);
    await page.reload();
    await shows(page, /longer look was ended by.*leaving the page; this plan went on from what it had found/);
    await settled(page);
    await page.reload();
    await settled(page);
    await shows(page, /\d+ steps, ready/);
    expect(await page.evaluate(() => document.body.innerText)).not.toContain('longer look was ended');
  });

  it('says that done work is no longer planned when its layer goes', async () => {
    const chassis = (await bench()).builds
      .find(({ id }) => id === 'tolliver')!
      .trays.find(({ id }) => id === 'tolliver-chassis')!;
    const store = async (layers: typeof chassis.layers) => {
      const { version } = (await bench()).builds
        .find(({ id }) => id === 'tolliver')!
        .trays.find(({ id }) => id === 'tolliver-chassis')!;
      const { name, areaCm2, substrateId, parts, codeId, position } = chassis;
      const answer = await fetch(`${server.address}/api/trays/tolliver-chassis`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', 'if-match': `"${version}"` },
        body: JSON.stringify({
          name,
          areaCm2,
          substrateId,
          partIds: parts.map(({ id }) => id),
          layers,
          codeId,
          position,
        }),
      });
      expect(answer.status).toBe(200);
      await page.goto(`${server.address}/build/tolliver/plan`);
      await shows(page, /Ahead: \d+ things to clear/);
    };
    await store(chassis.layers.filter(({ kind }) => kind !== 'primer'));
    await shows(
      page,
      /Done, but no longer planned: Primer[\s\S]*still on the model[\s\S]*strip or sand back/,
    );
    await store(chassis.layers);
    await until(page, () => !document.body.innerText.includes('no longer planned'), []);
  });

  it('keeps a step of the builder’s own, with its wait, and lets it go again', async () => {
    await settled(page);
    await markStep(page, WORK);
    await press(page, 'button', 'add a step after this one…');
    await typeOver(page, 'What you add after it', 'Look at it by daylight');
    await press(page, 'button', 'Add it');
    await saved(page);
    await expect.poll(async () => (await planOf('tolliver')).ownSteps.length).toBe(1);
    await expect
      .poll(async () => Object.keys((await bench()).plan.starts).filter((id) => id.includes('/own/')))
      .toHaveLength(1);
    await shows(page, /The plan followed: 1 added, 0 gone[\s\S]*\+ Look at it by daylight/);
    // Refused: the change that made it goes, and the plan follows that too, which is accepted.
    await page.$eval('[aria-label="What the change did to the plan"] button:last-of-type', (button) =>
      (button as HTMLElement).click(),
    );
    await expect.poll(async () => (await planOf('tolliver')).ownSteps.length).toBe(0);
    await shows(page, /The plan followed: 0 added, 1 gone[\s\S]*− Look at it by daylight/);
    await press(page, 'button', 'Accept this plan');
    await until(page, () => !document.body.innerText.includes('The plan followed'), []);
  });

  it('splits a step, says so, and makes it one again; leaves one out and brings it back', async () => {
    await settled(page);
    const steps = async () =>
      Object.keys((await bench()).plan.starts).filter((id) => id.startsWith('tolliver/'));
    const before = await steps();
    const edits = async () => (await planOf('tolliver')).stepEdits;
    await markStep(page, WORK);
    await press(page, 'button', 'change its words, minutes or parts…');
    await press(page, 'button', 'Split');
    await expect.poll(async () => (await edits()).map(({ parts }) => parts)).toEqual([2]);
    await expect.poll(async () => (await steps()).length).toBe(before.length + 1);
    await shows(page, /You do this step in 2 parts/);
    await press(page, 'button', 'do it in one');
    await expect.poll(async () => (await edits()).length).toBe(0);
    await expect.poll(steps).toEqual(expect.arrayContaining(before));
    await settled(page);
    await press(page, 'button', 'change its words, minutes or parts…');
    await typeOver(page, 'It takes, min', '33');
    await press(page, 'button', 'Change it');
    await expect.poll(async () => (await edits())[0]?.minutes).toBe(33);
    // Said of the step that is marked: its row may lie out of sight.
    await shows(page, /, 33 min at the bench/);
    await press(page, 'button', 'leave this step out');
    await shows(page, /You left out[\s\S]*bring it back/);
    // A plan that comes in meanwhile moves the button from under the pointer.
    await settled(page);
    await press(page, 'button', 'bring it back');
    await expect.poll(async () => (await edits()).map(({ leaveOut }) => leaveOut)).toEqual([false]);
    await settled(page);
  });

  it('offers to split what no session holds, and the plan is there again', async () => {
    await typeOver(page, 'It takes, min', '400');
    await press(page, 'button', 'Change it');
    await shows(
      page,
      /There is no plan[\s\S]*takes 400 min and no session is longer than 180 min[\s\S]*do it in 3 parts/,
    );
    await page.click('nav a[href="/build/tolliver/tonight"]');
    await shows(page, /There is no plan[\s\S]*takes 400 min/);
    await press(page, 'link', 'See in the Plan stage what would make one');
    await press(page, 'button', 'do it in 3 parts');
    await until(page, () => !document.body.innerText.includes('There is no plan'), []);
    await shows(page, /part 1 of 3/);
    for (let turn = 0; turn < 2; turn++) {
      await page.keyboard.down('Control');
      await page.keyboard.press('z');
      await page.keyboard.up('Control');
      await saved(page);
    }
    await settled(page);
  });

  it('plans on where a pin cannot be held, and says so at the step', async () => {
    await openPlan(page, server.address);
    await markStep(page, WORK);
    // No session is open at four in the morning.
    await holdTo(page, '20 May 2026', '04:00');
    await press(page, 'button', 'Pin');
    await shows(
      page,
      /Cannot be held: [\s\S]*you pinned it; it comes [\d.]+ h later[\s\S]*Let go of the pin/,
    );
    await shows(page, /\d+ steps, ready/);
    await until(
      page,
      (wanted) => {
        const finding = [...document.querySelectorAll('.finding')].find((each) =>
          each.textContent.includes('Cannot be held'),
        );
        const step = [...(finding?.querySelectorAll('button') ?? [])].find(({ textContent }) =>
          textContent.startsWith('the step'),
        );
        step?.click();
        return document.querySelector('[data-testid="step-reason"] h3')?.textContent === wanted;
      },
      [WORK],
    );
    await press(page, 'button', 'let go');
    await until(page, () => !document.body.innerText.includes('Cannot be held'), []);
    await settled(page);
    expect((await planOf('tolliver')).pins).toEqual([]);
  });

  it('names an own step that outlasts a recoat window, and takes it back where there is no plan', async () => {
    await page.goto(`${server.address}/build/tolliver/plan`);
    await shows(page, /\d+ steps, ready/);
    await listAllSteps(page);
    await markStep(page, 'Colour: Engine, straight six, wet coat 1 of');
    await press(page, 'button', 'add a step after this one…');
    await typeOver(page, 'What you add after it', 'Look at it by daylight');
    await typeOver(page, 'Then leave it, h', '12');
    await press(page, 'button', 'Add it');
    await shows(
      page,
      /There is no plan[\s\S]*must follow “Colour: Engine, straight six, \w+ coat 1 of \d”[\s\S]*“Look at it by daylight” between them takes \d+ min/,
    );
    await shows(page, /What you changed of the plan yourself:[\s\S]*your step “Look at it by daylight”/);
    await until(page, () => {
      const button = document.querySelector<HTMLButtonElement>(
        '[role="alert"] button[aria-label*="by daylight"]',
      );
      button?.click();
      return button !== null;
    }, []);
    await shows(page, /\d+ steps, ready/);
    await settled(page);
    expect((await planOf('tolliver')).ownSteps).toEqual([]);
  });

  it('solves the plan again for one more evening', async () => {
    await settled(page);
    await press(page, 'button', 'Try one more evening');
    await until(page, () => /one more evening, Fridays/.test(document.body.innerText), []);
    await press(page, 'button', 'cancel');
    await shows(page, /Try one more evening/);
  });

  it('puts the coming evenings on a sheet', async () => {
    await page.goto(`${server.address}/build/tolliver/plan/sheet`);
    await shows(page, /The next \d evenings[\s\S]*min, took/);
  });

  it('asks how a coat feels, and the plan waits for one that is still wet', async () => {
    await page.goto(`${server.address}/build/tolliver/tonight`);
    await settled(page);
    const button = await page.waitForSelector('.rack button.what');
    const before = await page.$$eval('.rack li', (items) =>
      items.map((item) => (item as HTMLElement).innerText),
    );
    await button!.click();
    await press(page, 'button', 'Still wet');
    const checks = async () => (await bench()).builds.flatMap(({ kit }) => kit.plan.cureChecks);
    await expect.poll(async () => (await checks()).map(({ isDry }) => isDry)).toEqual([false]);
    await settled(page);
    // Felt dry, it leaves the rack.
    const again = await page.waitForSelector('.rack button.what');
    const name = await again!.evaluate((element) => element.textContent);
    await again!.click();
    await press(page, 'button', 'Dry enough now');
    await expect.poll(async () => (await checks()).length).toBe(2);
    await until(
      page,
      (gone) =>
        [...document.querySelectorAll('.rack button.what')].every((item) => item.textContent !== gone),
      [name],
      // At once, not with the next minute.
      20_000,
    );
    expect(before.some((text) => text.includes(name))).toBe(true);
    await settled(page);
  });

  it('plans tonight for the time there is', async () => {
    await page.goto(`${server.address}/tonight`);
    await shows(page, /([2-9]|\d\d) steps, \d+ min of work/);
    await page.evaluate(() => {
      const select = document.querySelector<HTMLSelectElement>('[aria-label="How long you have tonight"]')!;
      Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')!.set!.call(select, '60');
      select.dispatchEvent(new Event('change', { bubbles: true }));
    });
    // It holds for this visit; the next test begins without it.
    await page.evaluate(() => localStorage.removeItem('fanfare.tonight-until'));
    await settled(page);
    await until(page, () => {
      const [, minutes] = /(\d+) min of work/.exec(document.body.innerText) ?? [];
      return minutes !== undefined && Number(minutes) <= 60;
    }, []);
  });

  it('keeps the step under the hands in sight, its clock running, after a reload and a new plan', async () => {
    await page.goto(`${server.address}/tonight`);
    await shows(page, /([2-9]|\d\d) steps, \d+ min of work/);
    await settled(page);
    const title = () => page.$eval('.stepcard h2', (heading) => heading.textContent);
    // Read and chosen at once: the plan may still be getting better, and the list with it.
    const begun = await page.$eval('.steplist li:nth-of-type(2) button', (button) => {
      button.click();
      return button.querySelector('span:nth-of-type(2)')!.textContent;
    });
    await expect.poll(async () => begun.includes(await title())).toBe(true);
    await page.keyboard.press('s');
    await shows(page, /running \d+:\d\d/);
    const running = await title();
    await page.reload();
    await shows(page, /running \d+:\d\d/);
    expect(await title()).toBe(running);
    // With half an hour left the plan may move it to another evening; it stays all the same.
    await page.evaluate(() => {
      const select = document.querySelector<HTMLSelectElement>('[aria-label="How long you have tonight"]')!;
      Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')!.set!.call(select, '30');
      select.dispatchEvent(new Event('change', { bubbles: true }));
    });
    await settled(page);
    expect(await title()).toBe(running);
    await page.evaluate(() => localStorage.clear());
  });

  it('grows the repair of what went wrong, from the step that the builder names', async () => {
    await page.goto(`${server.address}/build/tolliver/tonight`);
    await shows(page, /it went wrong…/);
    await press(page, 'button', 'it went wrong…');
    await typeOver(page, 'What went wrong', 'sanded through an edge');
    // What is offered first follows from the kind of the step, which tonight's is the plan's choice.
    await page.select('form[aria-label="Went wrong"] select', 'sand');
    const title = await page.$eval('.stepcard h2', (heading) => heading.textContent);
    await press(page, 'button', 'Put the repair into the plan');
    await expect
      .poll(async () => (await planOf('tolliver')).mishaps)
      .toMatchObject([{ what: 'sanded through an edge', repair: 'sand' }]);
    await saved(page);
    expect((await bench()).steps.some((step) => step.title === title && /Went wrong/.test(step.note))).toBe(
      true,
    );
    // The repair may land on another evening than this one.
    await expect
      .poll(async () => Object.keys((await bench()).plan.starts).filter((id) => id.includes('/repair')))
      .toHaveLength(1);
    expect(errors).toEqual([]);
  });
});
