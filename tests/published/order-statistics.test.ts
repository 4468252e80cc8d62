// Sources: d3-array (quantile, thresholdFreedmanDiaconis) and simple-statistics (kernelDensityEstimation, sampleStandardDeviation,
// interquartileRange), reference libraries; Student's sleep data as in R's documentation of t.test; the eruptions of Old
// Faithful as in R's `faithful` (W. Härdle 1991; the longer series is A. Azzalini and A. Bowman, Applied Statistics 39, 1990),
// typed from memory and compared with R's published summary of it.
import { deviation, mean, quantile as d3Quantile, thresholdFreedmanDiaconis } from 'd3-array';
import fc from 'fast-check';
import { kernelDensityEstimation, quantileSorted, sampleStandardDeviation } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import { densityOf } from '../../src/core/orders/density.ts';
import { peaksOf } from '../../src/core/orders/peaks.ts';
import { freedmanDiaconisWidth, quantile, silvermanBandwidth, summarise } from '../../src/core/orders/summary.ts';
import { studentQuantile975, welchDifference } from '../../src/core/statistics/welch.ts';
import { fromValues } from '../support/distributions.ts';

const orders = fc
  .array(fc.integer({ min: 1, max: 20_000 }), { minLength: 2, maxLength: 300 })
  .map((values) => values.sort((a, b) => a - b));

describe('quantiles and widths', () => {
  test('quantiles of type 7, as d3-array takes them', () => {
    fc.assert(
      fc.property(
        orders,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (values, share) => void expect(quantile(fromValues(values), share)).toBeCloseTo(d3Quantile(values, share)!, 6),
      ),
    );
  });
  test('average and deviation', () => {
    fc.assert(
      fc.property(orders, (values) => {
        const summary = summarise(fromValues(values))!;
        expect(summary.average).toBeCloseTo(mean(values)!, 6);
        expect(summary.deviation).toBeCloseTo(deviation(values)!, 6);
      }),
    );
  });
  test('Freedman and Diaconis: as many bands as d3-array would draw', () => {
    fc.assert(
      fc.property(orders, (values) => {
        const width = freedmanDiaconisWidth(summarise(fromValues(values))!);
        fc.pre(width > 0);
        expect(Math.ceil((values.at(-1)! - values[0]!) / width)).toBe(
          thresholdFreedmanDiaconis(values, values[0]!, values.at(-1)!),
        );
      }),
    );
  });
  test('Silverman’s rule, from the deviation and quartiles of simple-statistics', () => {
    fc.assert(
      fc.property(orders, (values) => {
        const spread = (d3Quantile(values, 0.75)! - d3Quantile(values, 0.25)!) / 1.34;
        fc.pre(spread > 0);
        expect(silvermanBandwidth(summarise(fromValues(values))!)).toBeCloseTo(
          0.9 * Math.min(sampleStandardDeviation(values), spread) * values.length ** -0.2,
          6,
        );
      }),
    );
    expect(quantileSorted([1, 2, 3, 4], 0.5)).toBe(2.5);
  });
  test('the density is that of simple-statistics with the same bandwidth, to a few thousandths of its height', () => {
    fc.assert(
      fc.property(orders, fc.integer({ min: 300, max: 3000 }), (values, bandwidth) => {
        const density = densityOf(fromValues(values), bandwidth, 20_000, 1000);
        const reference = kernelDensityEstimation(values, 'gaussian', bandwidth);
        const highest = Math.max(...density.heights);
        for (let i = 0; i < density.heights.length; i += 50)
          expect(Math.abs(density.heights[i]! - values.length * reference(i * density.step))).toBeLessThan(
            0.005 * highest,
          );
      }),
      { numRuns: 40 },
    );
  });
});

describe('Welch', () => {
  test('Student’s sleep data: R prints t = −1.8608, df = 17.776, 95 % interval −3.3654832 to 0.2054832', () => {
    const sample = (values: number[]) => ({
      count: values.length,
      average: mean(values)!,
      deviation: deviation(values)!,
    });
    const first = [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0.0, 2.0];
    const second = [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4];
    const result = welchDifference(sample(first), sample(second))!;
    expect(result.t).toBeCloseTo(-1.8608, 4);
    expect(result.degreesOfFreedom).toBeCloseTo(17.776, 3);
    expect(result.low).toBeCloseTo(-3.3654832, 6);
    expect(result.high).toBeCloseTo(0.2054832, 6);
  });
  test('97.5 % points of the printed t table', () => {
    for (const [df, t] of [
      [1, 12.706],
      [2, 4.303],
      [5, 2.571],
      [10, 2.228],
      [30, 2.042],
      [120, 1.98],
      [1e6, 1.96],
    ] as const)
      expect(studentQuantile975(df)).toBeCloseTo(t, 3);
  });
  test('nothing to compare', () => {
    expect(welchDifference({ count: 1, average: 5, deviation: 0 }, { count: 9, average: 4, deviation: 1 })).toBeNull();
    expect(welchDifference({ count: 9, average: 5, deviation: 0 }, { count: 9, average: 4, deviation: 0 })).toBeNull();
  });
});

// minutes
const eruptions =
  `3.600 1.800 3.333 2.283 4.533 2.883 4.700 3.600 1.950 4.350 1.833 3.917 4.200 1.750 4.700 2.167 1.750 4.800 1.600 4.250 1.800
1.750 3.450 3.067 4.533 3.600 1.967 4.083 3.850 4.433 4.300 4.467 3.367 4.033 3.833 2.017 1.867 4.833 1.833 4.783 4.350 1.883 4.567 1.750 4.533
3.317 3.833 2.100 4.633 2.000 4.800 4.716 1.833 4.833 1.733 4.883 3.717 1.667 4.567 4.317 2.233 4.500 1.750 4.800 1.817 4.400 4.167 4.700 2.067
4.700 4.033 1.967 4.500 4.000 1.983 5.067 2.017 4.567 3.883 3.600 4.133 4.333 4.100 2.633 4.067 4.933 3.950 4.517 2.167 4.000 2.200 4.333 1.867
4.817 1.833 4.300 4.667 3.750 1.867 4.900 2.483 4.367 2.100 4.500 4.050 1.867 4.700 1.783 4.850 3.683 4.733 2.300 4.900 4.417 1.700 4.633 2.317
4.600 1.817 4.417 2.617 4.067 4.250 1.967 4.600 3.767 1.917 4.500 2.267 4.650 1.867 4.167 2.800 4.333 1.833 4.383 1.883 4.933 2.033 3.733 4.233
2.233 4.533 4.817 4.333 1.983 4.633 2.017 5.100 1.800 5.033 4.000 2.400 4.600 3.567 4.000 4.500 4.083 1.800 3.967 2.200 4.150 2.000 3.833 3.500
4.583 2.367 5.000 1.933 4.617 1.917 2.083 4.583 3.333 4.167 4.333 4.500 2.417 4.000 4.167 1.883 4.583 4.250 3.767 2.033 4.433 4.083 1.833 4.417
2.183 4.800 1.833 4.800 4.100 3.966 4.233 3.500 4.366 2.250 4.667 2.100 4.350 4.133 1.867 4.600 1.783 4.367 3.850 1.933 4.500 2.383 4.700 1.867
3.833 3.417 4.233 2.400 4.800 2.000 4.150 1.867 4.267 1.750 4.483 4.000 4.117 4.083 4.267 3.917 4.550 4.083 2.417 4.183 2.217 4.450 1.883 1.850
4.283 3.950 2.333 4.150 2.350 4.933 2.900 4.583 3.833 2.083 4.367 2.133 4.350 2.200 4.450 3.567 4.500 4.150 3.817 3.917 4.450 2.000 4.283 4.767
4.533 1.850 4.250 1.983 2.250 4.750 4.117 2.150 4.417 1.817 4.467`
    .split(/\s+/)
    .map(Number);

describe('Old Faithful', () => {
  test('the data are those that R summarises: 272 eruptions, median 4, mean 3.488, deviation 1.141', () => {
    expect(eruptions).toHaveLength(272);
    expect(d3Quantile(eruptions, 0.5)).toBe(4);
    expect(mean(eruptions)).toBeCloseTo(3.487783, 5);
    expect(deviation(eruptions)).toBeCloseTo(1.141371, 5);
  });
  test.each([1, 0.5])('two peaks near 2 and 4.3 minutes, with Silverman’s bandwidth × %s', (factor) => {
    const distribution = fromValues(eruptions.map((minutes) => Math.round(minutes * 1000)).sort((a, b) => a - b));
    const summary = summarise(distribution)!;
    const peaks = peaksOf(densityOf(distribution, silvermanBandwidth(summary) * factor, 6000), distribution);
    expect(peaks).toHaveLength(2);
    expect(Math.abs(peaks[0]!.at - 2000)).toBeLessThan(150);
    expect(Math.abs(peaks[1]!.at - 4300)).toBeLessThan(200);
    expect(peaks[0]!.share + peaks[1]!.share).toBeGreaterThan(0.6);
  });
});
