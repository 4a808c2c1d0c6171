import { FillRule, areaPathsD, intersectD } from 'clipper2-ts';
import { swell } from './src/core/cutting';
import { makePaper } from './src/core/catalogue';
import { toPolygon } from './src/core/geometry';
import { nest } from './src/core/nesting';
import { seededRandom } from './src/core/testing';
const PAPERS:any[] = [
  { family: 'regular', sides: 6, edgeMm: 25.4 },{ family: 'diamond', angleDeg: 60, edgeMm: 38.1 },{ family: 'diamond', angleDeg: 45, edgeMm: 45 },
  { family: 'half-square-triangle', legMm: 50.8 },{ family: 'regular', sides: 3, edgeMm: 40 },{ family: 'regular', sides: 8, edgeMm: 22 },
  { family: 'kite', edgeMm: 40, tipDeg: 60, footDeg: 120 },
];
const seed=Number(process.argv[2]);const random=seededRandom(seed);
let bad=0,runs=0;const end=performance.now()+Number(process.argv[3])*1000;
while(performance.now()<end){
 const kinds = PAPERS.filter(() => random() < 0.5).map((spec, index) => {const t=random()<.5?random()*7:Math.round(random()*12)*Math.PI/6+ (random()-.5)*10**(-3-6*random());const c=Math.cos(t),s=Math.sin(t);return { id: String(index), count: 2 + Math.floor(random() * 16), polygon: swell(toPolygon(makePaper(spec), 0.1), 6.35).map(({x,y})=>({x:c*x-s*y,y:s*x+c*y})) }});
 if(!kinds.length)continue;
 const turns=(['any','any','half','none'] as const)[Math.floor(random()*4)]!;
 const length=random()<.3?150+random()*300:Infinity;const secs=random()<.5?0.3:1.2;
 const t0=performance.now();
 const r=nest(kinds as any,{width:300+random()*800,length,selvedge:random()<.5?0:12,turns,used:[]},{spent:()=>(performance.now()-t0)/(1000*secs)});
 runs++;
 const P=(q:any)=>{const c=Math.cos(q.turnDeg*Math.PI/180),s=Math.sin(q.turnDeg*Math.PI/180);return (kinds as any)[q.kind].polygon.map((p:any)=>({x:c*p.x-s*p.y+q.x,y:s*p.x+c*p.y+q.y}))};
 let worst=0;for(let i=0;i<r.placed.length;i++)for(let j=0;j<i;j++){const a=Math.abs(areaPathsD(intersectD([P(r.placed[i])],[P(r.placed[j])],FillRule.NonZero,6)));worst=Math.max(worst,a);}
 if(worst>0.05||r.density>1.0001){bad++;console.log('BAD',seed,runs,worst,r.density,turns,length,JSON.stringify(kinds.map(k=>k.count)));}
}
console.log('runs',runs,'bad',bad);
